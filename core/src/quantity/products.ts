import { unitByAlias } from './aliases.js'
import { functions } from './functions.js'
import { ExpressionError, isOp, tokens, type Token } from './tokens.js'
import { unitByName } from './units.js'

/** More ways of reading one word than this are not looked for. */
const MOST_READINGS = 2

/**
 * The ways of reading a word such as `wL` or `2πEI` (its letters) as a product of symbols, each symbol whole.
 * @param isSymbol whether a name is a symbol of the problem
 */
function productsIn(word: string, isSymbol: (name: string) => boolean): string[][] {
  const found: string[][] = []
  const walk = (from: number, parts: string[]) => {
    if (found.length >= MOST_READINGS) return
    if (from === word.length) {
      if (parts.length > 1) found.push(parts)
      return
    }
    for (let to = word.length; to > from; to--) {
      const part = word.slice(from, to)
      if (part === 'π' || isSymbol(part)) walk(to, [...parts, part])
    }
  }
  walk(0, [])
  return found
}

const means = (name: string, isSymbol: (name: string) => boolean) =>
  isSymbol(name) || name === 'pi' || name === 'π' || functions.has(name) || unitByName(name) !== undefined

/**
 * The tokens of an expression with words such as `wL` or `EI` taken apart into the symbols they are a product
 * of, where no symbol or unit has the whole name.
 * @throws ExpressionError for a word that can be read in two ways, with both as repairs
 */
export function tokensOf(text: string, isSymbol: (name: string) => boolean): Token[] {
  return tokens(text).flatMap((t): Token[] => {
    if (t.kind !== 'name' || t.start === t.end || means(t.text, isSymbol)) return [t]
    const readings = productsIn(t.text, isSymbol)
    const unit = unitByAlias(t.text)
    if (readings.length === 0) return [t]
    if (readings.length > 1 || unit !== undefined) {
      const written = readings.map((parts) => parts.join('*'))
      throw new ExpressionError(
        `${t.text} may be ${unit ? `a unit or ${written[0]}` : written.join(' or ')}: write which is meant.`,
        t.start,
        t.end,
        written.map((w) => text.slice(0, t.start) + w + text.slice(t.end)),
      )
    }
    let at = t.start
    return readings[0].map((part): Token => {
      const start = at
      at += part.length
      return { kind: 'name', text: part, start, end: at }
    })
  })
}

/**
 * The symbols that an expression names, each once, in the order of their first place. A text that cannot be
 * read names none.
 */
export function symbolsNamed(text: string, isSymbol: (name: string) => boolean): string[] {
  try {
    return [...new Set(symbolTokens(text, isSymbol).map((t) => t.text))]
  } catch {
    return []
  }
}

const symbolTokens = (text: string, isSymbol: (name: string) => boolean): Token[] => {
  const list = tokensOf(text, isSymbol)
  return list.filter(
    (t, i) => t.kind === 'name' && isSymbol(t.text) && !(functions.has(t.text) && isOp(list[i + 1], '(')),
  )
}

/**
 * An expression with its symbols under other names. Where a name stood against another without a sign, as in
 * `5wL/8`, a space parts them afterwards. A text that cannot be read stays as it is.
 * @param names new name by old name
 */
export function withSymbolsRenamed(
  text: string,
  names: ReadonlyMap<string, string>,
  isSymbol: (name: string) => boolean,
): string {
  let found: Token[]
  try {
    found = symbolTokens(text, isSymbol).filter((t) => names.has(t.text))
  } catch {
    return text
  }
  let out = ''
  let at = 0
  const letter = /[\p{L}\p{Nd}_']/u
  for (const t of found) {
    const name = names.get(t.text)!
    out += text.slice(at, t.start)
    const before = out.at(-1) ?? ''
    // a digit may stand before a letter, as in 2L, unless both would be read as a power of ten
    if (letter.test(before) && (!/\d/.test(before) || /^[eE]\d/.test(name))) out += ' '
    out += name
    at = t.end
    if (letter.test(text[at] ?? '')) out += ' '
  }
  return out + text.slice(at)
}
