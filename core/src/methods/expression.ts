/**
 * Formulas of the working: trees whose leaves are numbers and letters that stand for numbers with an address.
 * One tree is read three ways: with letters, with the numbers put in, and evaluated. Rendered to a page, to
 * LaTeX and to plain text.
 */
export type Formula =
  | { t: 'number'; value: number }
  | Letter
  | { t: 'sum'; terms: Formula[] }
  | { t: 'product'; factors: Formula[] }
  | { t: 'quotient'; over: Formula; under: Formula }
  | { t: 'power'; base: Formula; exponent: number }
  | { t: 'minus'; of: Formula }
  | { t: 'root'; of: Formula }
  | { t: 'absolute'; of: Formula }
  | { t: 'function'; name: 'cos' | 'sin' | 'cosh' | 'sinh'; of: Formula }
  /** A definite integral over the place x; `x` in it is the letter with the name x and no address. */
  | { t: 'integral'; from: Formula; to: Formula; of: Formula }
  | { t: 'place' }

/** A letter with its index and what it belongs to: k₂₃ of AB. */
export interface LetterName {
  letter: string
  sub?: string
  of?: string
  /** What it is the name of, where that is its name: EI/L³. */
  formula?: Formula
}

/** A letter that stands for a number of the working. */
export interface Letter {
  t: 'letter'
  symbol: LetterName
  value: number
  address: string
}

/** A letter that stands for a whole matrix or vector; it has no number of its own. */
export const matrixLetter = (letter: string, sub?: string): Letter => ({
  t: 'letter',
  symbol: { letter, ...(sub ? { sub } : {}) },
  value: NaN,
  address: '',
})

export const number = (value: number): Formula => ({ t: 'number', value })
export const PLACE: Formula = { t: 'place' }
export const minus = (of: Formula): Formula =>
  of.t === 'minus' ? of.of : of.t === 'number' ? number(-of.value) : { t: 'minus', of }
/** A quotient; the sign of what is above stands before it. */
export const over = (a: Formula, b: Formula): Formula =>
  a.t === 'minus' ? minus(over(a.of, b)) : { t: 'quotient', over: a, under: b }
export const power = (base: Formula, exponent: number): Formula => ({ t: 'power', base, exponent })
export const root = (of: Formula): Formula => ({ t: 'root', of })
export const absolute = (of: Formula): Formula => ({ t: 'absolute', of })

/** A sum; sums within it are opened, one term alone stands by itself, none is 0. */
export function sum(...terms: Formula[]): Formula {
  const flat = terms
    .flatMap((t) => (t.t === 'sum' ? t.terms : [t]))
    .map((t, i): Formula => {
      const isTakenOff = i > 0 && t.t === 'number' && t.value < 0
      return isTakenOff ? { t: 'minus', of: number(-t.value) } : t
    })
  return flat.length === 1 ? flat[0] : flat.length === 0 ? number(0) : { t: 'sum', terms: flat }
}

/** A product; signs come to the front, products within it are opened, factors of 1 are left out. */
export function times(...factors: Formula[]): Formula {
  let negative = false
  const flat: Formula[] = []
  const put = (f: Formula): void => {
    if (f.t === 'minus') {
      negative = !negative
      put(f.of)
    } else if (f.t === 'product') f.factors.forEach(put)
    else if (f.t === 'number' && f.value === -1) negative = !negative
    else if (!(f.t === 'number' && f.value === 1)) flat.push(f)
  }
  factors.forEach(put)
  const product: Formula =
    flat.length === 0 ? number(1) : flat.length === 1 ? flat[0] : { t: 'product', factors: flat }
  return negative ? minus(product) : product
}

/** A plain multiple: 12 times 2·EI is 24·EI. */
export function multiple(k: number, f: Formula): Formula {
  const [first, ...others] = f.t === 'product' ? f.factors : [f]
  return first.t === 'number' ? times(number(k * first.value), ...others) : times(number(k), f)
}

/** A value with the largest it was made of: what it may be off by is measured against that. */
export interface Evaluated {
  value: number
  size: number
}

/**
 * Five points of Gauss on −1 … 1: exact for polynomials up to the ninth power, which no load on a member
 * exceeds.
 */
const GAUSS: readonly (readonly [number, number])[] = [
  [0, 128 / 225],
  ...[-1, 1].flatMap((s) => [
    [(s / 3) * Math.sqrt(5 - 2 * Math.sqrt(10 / 7)), (322 + 13 * Math.sqrt(70)) / 900] as const,
    [(s / 3) * Math.sqrt(5 + 2 * Math.sqrt(10 / 7)), (322 - 13 * Math.sqrt(70)) / 900] as const,
  ]),
]

/** A definite integral by the five points of Gauss. */
function integral(from: number, to: number, of: (x: number) => Evaluated): Evaluated {
  const points = GAUSS.map(([t, w]) => ({
    w: (w * (to - from)) / 2,
    v: of((from + to) / 2 + ((to - from) / 2) * t),
  }))
  const value = points.reduce((s, { w, v }) => s + w * v.value, 0)
  const size = points.reduce((s, { w, v }) => s + Math.abs(w) * v.size, 0)
  return { value, size: Math.max(size, Math.abs(value)) }
}

/**
 * The value of a formula with the numbers its letters stand for.
 * @param x the place, of an integral over it
 * @param valueOf other numbers for the letters
 */
export function evaluateFormula(
  f: Formula,
  x = NaN,
  valueOf: (letter: Letter) => number = (l) => l.value,
): Evaluated {
  const at = (part: Formula, place = x) => evaluateFormula(part, place, valueOf)
  const one = (value: number, size = Math.abs(value)): Evaluated => ({
    value,
    size: Math.max(size, Math.abs(value)),
  })
  switch (f.t) {
    case 'number':
      return one(f.value)
    case 'letter':
      return one(valueOf(f))
    case 'place':
      return one(x)
    case 'sum': {
      const terms = f.terms.map((t) => at(t))
      return one(
        terms.reduce((s, t) => s + t.value, 0),
        terms.reduce((s, t) => s + t.size, 0),
      )
    }
    case 'product': {
      const factors = f.factors.map((t) => at(t))
      return one(
        factors.reduce((s, t) => s * t.value, 1),
        factors.reduce((s, t) => s * t.size, 1),
      )
    }
    case 'quotient': {
      const [a, b] = [at(f.over), at(f.under)]
      return one(a.value / b.value, a.size / Math.abs(b.value))
    }
    case 'power': {
      const b = at(f.base)
      return one(b.value ** f.exponent, b.size ** f.exponent)
    }
    case 'minus': {
      const v = at(f.of)
      return one(-v.value, v.size)
    }
    case 'root': {
      const v = at(f.of)
      return one(Math.sqrt(v.value), Math.sqrt(v.size))
    }
    case 'absolute': {
      const v = at(f.of)
      return one(Math.abs(v.value), v.size)
    }
    case 'function':
      return one(Math[f.name](at(f.of).value), 1)
    case 'integral':
      return integral(at(f.from).value, at(f.to).value, (place) => at(f.of, place))
  }
}

/** Every letter of a formula, in order, each once. */
export function letters(f: Formula, into = new Map<string, Letter>()): Letter[] {
  switch (f.t) {
    case 'letter':
      into.set(f.address, f)
      break
    case 'sum':
      f.terms.forEach((t) => letters(t, into))
      break
    case 'product':
      f.factors.forEach((t) => letters(t, into))
      break
    case 'quotient':
      letters(f.over, into)
      letters(f.under, into)
      break
    case 'power':
      letters(f.base, into)
      break
    case 'minus':
    case 'root':
    case 'absolute':
    case 'function':
      letters(f.of, into)
      break
    case 'integral':
      for (const part of [f.from, f.to, f.of]) letters(part, into)
  }
  return [...into.values()]
}

/** The same formula with other letters. */
export function relettered(f: Formula, change: (l: Letter) => Letter): Formula {
  const go = (g: Formula) => relettered(g, change)
  switch (f.t) {
    case 'letter':
      return change(f)
    case 'sum':
      return { ...f, terms: f.terms.map(go) }
    case 'product':
      return { ...f, factors: f.factors.map(go) }
    case 'quotient':
      return { ...f, over: go(f.over), under: go(f.under) }
    case 'power':
      return { ...f, base: go(f.base) }
    case 'minus':
    case 'root':
    case 'absolute':
    case 'function':
      return { ...f, of: go(f.of) }
    case 'integral':
      return { ...f, from: go(f.from), to: go(f.to), of: go(f.of) }
    default:
      return f
  }
}
