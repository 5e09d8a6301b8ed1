/**
 * Expressions as the letters write them, typeset: sums, products, one fraction stroke a term, powers and
 * square roots. What it cannot read is set as words.
 */
type Tree =
  | { t: 'number' | 'name'; text: string }
  | { t: 'sum'; terms: { minus: boolean; of: Tree }[] }
  | { t: 'product'; factors: Tree[] }
  | { t: 'over'; above: Tree; below: Tree }
  | { t: 'power'; base: Tree; exponent: string }
  | { t: 'root'; of: Tree }

const TOKEN = /\s*(\d+(?:\.\d+)?(?:e[+-]?\d+)?|[\p{L}_][\p{L}\p{N}_'.]*|[-+*/^()])/uy

function tokensOf(text: string): string[] {
  const out: string[] = []
  TOKEN.lastIndex = 0
  while (TOKEN.lastIndex < text.length) {
    const found = TOKEN.exec(text)
    if (!found) throw new RangeError(`${text} is no expression of letters.`)
    out.push(found[1])
  }
  return out
}

/** Reads an expression that `Writer` wrote. @throws RangeError for another text */
function read(text: string): Tree {
  const tokens = tokensOf(text)
  let at = 0
  const next = () => tokens[at]
  const take = (token: string) => {
    if (tokens[at] !== token) throw new RangeError(`${text} is no expression of letters.`)
    at++
  }
  const sum = (): Tree => {
    const terms: { minus: boolean; of: Tree }[] = []
    do {
      const minus = next() === '-'
      if (minus || next() === '+') at++
      terms.push({ minus, of: term() })
    } while (next() === '+' || next() === '-')
    return terms.length === 1 && !terms[0].minus ? terms[0].of : { t: 'sum', terms }
  }
  const term = (): Tree => {
    const factors = [power()]
    while (next() === '*') {
      at++
      factors.push(power())
    }
    const above: Tree = factors.length === 1 ? factors[0] : { t: 'product', factors }
    if (next() !== '/') return above
    at++
    return { t: 'over', above, below: power() }
  }
  const power = (): Tree => {
    const base = factor()
    if (next() !== '^') return base
    at++
    return { t: 'power', base, exponent: tokens[at++] }
  }
  const factor = (): Tree => {
    const token = tokens[at++]
    if (token === undefined) throw new RangeError(`${text} ends too early.`)
    if (token === '(' || token === 'sqrt') {
      if (token === 'sqrt') take('(')
      const of = sum()
      take(')')
      return token === 'sqrt' ? { t: 'root', of } : of
    }
    return { t: /^\d/.test(token) ? 'number' : 'name', text: token }
  }
  const tree = sum()
  if (at < tokens.length) throw new RangeError(`${text} is no expression of letters.`)
  return tree
}

const GREEK = new Map(
  Object.entries({
    alpha: 'α',
    beta: 'β',
    gamma: 'γ',
    delta: 'δ',
    theta: 'θ',
    kappa: 'κ',
    lambda: 'λ',
    mu: 'μ',
    pi: 'π',
    rho: 'ρ',
    sigma: 'σ',
    phi: 'φ',
    psi: 'ψ',
  }).flatMap(([name, letter]) => [
    [name, `\\${name} `],
    [letter, `\\${name} `],
  ]),
)

/** The name of a symbol as LaTeX: EI, L₁ from L1 or L_1, θ. */
function nameLatex(name: string): string {
  const [, stem, index] = /^(.*?)_?(\d+|(?<=_).+)?$/u.exec(name)!
  const letters = GREEK.get(stem) ?? [...stem].map((c) => GREEK.get(c) ?? (c === '_' ? '\\_' : c)).join('')
  return index
    ? `${letters}_{${/^\d+$/.test(index) ? index : `\\text{${index.replaceAll('_', '\\_')}}`}}`
    : letters
}

const numberLatex = (text: string): string => {
  const [digits, exponent] = text.split('e')
  return exponent === undefined ? digits : `${digits}\\cdot 10^{${Number(exponent)}}`
}

const isSum = (tree: Tree) => tree.t === 'sum'
const inBrackets = (tree: Tree) => (isSum(tree) ? `\\left(${latex(tree)}\\right)` : latex(tree))

function latex(tree: Tree): string {
  switch (tree.t) {
    case 'number':
      return numberLatex(tree.text)
    case 'name':
      return nameLatex(tree.text)
    case 'sum':
      return tree.terms.map(({ minus, of }, i) => (minus ? '-' : i > 0 ? '+' : '') + inBrackets(of)).join('')
    case 'product':
      return tree.factors
        .map((f, i) => (i > 0 && f.t === 'number' ? `\\cdot ${latex(f)}` : inBrackets(f)))
        .join('\\,')
    case 'over':
      return `\\dfrac{${latex(tree.above)}}{${latex(tree.below)}}`
    case 'power':
      return `${inBrackets(tree.base)}^{${tree.exponent}}`
    case 'root':
      return `\\sqrt{${latex(tree.of)}}`
  }
}

/** An expression of the letters as LaTeX. @throws RangeError for another text */
export const expressionLatex = (text: string): string => latex(read(text))

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** An expression as it is read aloud and drawn: `5wL⁴/384EI`. */
export const expressionWords = (text: string): string =>
  text
    .replaceAll('*', '')
    .replace(/\^(\d+)/g, (_, digits: string) => [...digits].map((d) => RAISED[Number(d)]).join(''))
    .replaceAll('-', '−')
    .replace(/sqrt\((\w+)\)/g, '√$1')
