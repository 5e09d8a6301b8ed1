/**
 * What is wrong with an expression, which characters of the typed text it concerns, and the whole text as it
 * may have been meant, the likeliest first.
 */
export class ExpressionError extends Error {
  constructor(
    message: string,
    readonly start: number,
    readonly end: number,
    readonly repairs: readonly string[] = [],
  ) {
    super(message)
  }
}

export type Token = {
  kind: 'number' | 'name' | 'op' | 'end'
  text: string
  start: number
  end: number
  value?: number
}

/** Longer texts than this are refused, so that no field can hang the reader. */
const MAX_LENGTH = 500

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹'
/** An exponent in raised digits: the 12 of `10¹²`, the −9 of `10⁻⁹`. */
const RAISED = /[⁺⁻]?[⁰¹²³⁴⁵⁶⁷⁸⁹]+/uy
/** Thousands parted by spaces, thin or not breaking or plain ones: `12 350`, `1 234 567.5`. */
const GROUPED = /\d{1,3}(?:[ \u00a0\u2009\u202f]\d{3})+(?!\d)(?:\.\d*)?(?:[eE][+-]?\d+)?/uy
const NAME = /[\p{L}°µ_][\p{L}\p{Nd}_']*/uy
const NUMBER = /(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/y

const FRACTIONS: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
}
const FRACTION = '[½¼¾⅓⅔⅛⅜⅝⅞⅕⅖⅗⅘⅙⅚]'
/** `6`, `6.25`, `6 1/2`, `1/2`, `6½`, `½`, as it stands before an inch or foot mark. */
const MIXED = `(?:\\d+\\s+\\d+\\/\\d+|\\d+\\/\\d+|\\d*\\s?${FRACTION}|\\d+(?:\\.\\d*)?|\\.\\d+)`
/**
 * Feet and inches as one length: `12'-6"`, `12' 6"`, `4 ft 6 in`. Between words a dash would be a minus, so
 * there it is none.
 */
const FEET_INCHES = new RegExp(
  `(\\d+(?:\\.\\d*)?)\\s*(?:['′]\\s*-?|ft\\s+)(${MIXED})\\s*` +
    `(?:["″]|''|in(?![\\p{L}\\p{Nd}_]))(?!\\s*[\\^⁰¹²³⁴⁵⁶⁷⁸⁹])`,
  'uy',
)
/** A whole number and a fraction before a unit of length: `6 1/2 in`. */
const WHOLE_AND_FRACTION = /(\d+)\s+(\d+)\/(\d+)(?=\s*(?:['"′″]|(?:in|ft)(?![\p{L}\p{Nd}_])))/uy

/** `½` or `6½`. */
const VULGAR = new RegExp(`\\d*\\s?${FRACTION}`, 'uy')

/** The value of what MIXED matches; NaN for a fraction of nothing. */
function mixedValue(text: string): number {
  const parts = text.match(new RegExp(`\\d+\\/\\d+|${FRACTION}|\\d+\\.?\\d*|\\.\\d+`, 'g')) ?? []
  return parts.reduce((sum, part) => {
    const [over, under] = part.split('/')
    return sum + (FRACTIONS[part] ?? (under === undefined ? Number(part) : Number(over) / Number(under)))
  }, 0)
}

/** Greek and Latin letters, digits, `_` and `'`, beginning with a letter. */
export const isSymbolName = (name: string): boolean => /^\p{L}[\p{L}\p{Nd}_']*$/u.test(name)

/** Signs by other characters that mean the same. */
const SIGNS: Readonly<Record<string, string>> = {
  '−': '-',
  '–': '-',
  '·': '*',
  '×': '*',
  '⋅': '*',
  '÷': '/',
  '∕': '/',
}
/** Marks behind a number that are units of length. */
const MARKS: Readonly<Record<string, string>> = { "'": 'ft', '′': 'ft', '"': 'in', '″': 'in' }

/** The power that raised digits say: `¹²` is `^12`. */
function raisedTokens(raised: string, start: number): Token[] {
  const digits = raised.replace(/[⁺⁻]/, '')
  const size = [...digits].reduce((n, digit) => 10 * n + SUPERSCRIPTS.indexOf(digit), 0)
  const value = raised.startsWith('⁻') ? -size : size
  return [
    { kind: 'op', text: '^', start, end: start },
    { kind: 'number', text: raised, start, end: start + raised.length, value },
  ]
}

/** The sign that stands at a place of the text; a point between two names (`kN.m`) is that of a product. */
function signToken(text: string, start: number, before: Token | undefined): Token {
  const c = text[start]
  const joins = c === '.' && before?.kind === 'name' && before.end === start
  const sign = joins && /\p{L}/u.test(text[start + 1] ?? '') ? '*' : (SIGNS[c] ?? c)
  if (!'+-*/^(),%'.includes(sign))
    throw new ExpressionError(`"${c}" is not understood here.`, start, start + 1)
  return { kind: 'op', text: sign, start, end: start + 1 }
}

/** An expression cut into numbers, names and signs, with their places in the text. */
export function tokens(text: string): Token[] {
  if (text.length > MAX_LENGTH)
    throw new ExpressionError(`This is longer than ${MAX_LENGTH} characters.`, MAX_LENGTH, text.length)
  const out: Token[] = []
  let i = 0
  const match = (re: RegExp) => ((re.lastIndex = i), re.exec(text)?.[0])
  while (i < text.length) {
    const c = text[i]
    if (/\s/.test(c)) {
      i++
      continue
    }
    const compound = compoundTokens(text, i)
    if (compound) {
      out.push(...compound.list)
      i = compound.end
      continue
    }
    const number = match(GROUPED) ?? match(NUMBER)
    if (number !== undefined) {
      if (text[i + number.length] === '.')
        throw new ExpressionError(`"${number}." has two decimal points.`, i, i + number.length + 1)
      const value = Number(number.replace(/\s/g, ''))
      out.push({ kind: 'number', text: number, start: i, end: i + number.length, value })
      i += number.length
      continue
    }
    const name = match(NAME)
    if (name !== undefined) {
      out.push({ kind: 'name', text: name, start: i, end: i + name.length })
      i += name.length
      continue
    }
    const mark = MARKS[c]
    if (mark && out.at(-1)?.kind === 'number' && out.at(-1)?.end === i) {
      out.push({ kind: 'name', text: mark, start: i, end: i + 1 })
      i++
      continue
    }
    const raised = match(RAISED)
    if (raised !== undefined) {
      out.push(...raisedTokens(raised, i))
      i += raised.length
      continue
    }
    out.push(signToken(text, i, out.at(-1)))
    i++
  }
  out.push({ kind: 'end', text: '', start: text.length, end: text.length })
  return out
}

/**
 * Tokens for a length in feet and inches, or for a number with a fraction, that begins here; one length stays
 * one factor.
 */
function compoundTokens(text: string, i: number): { list: Token[]; end: number } | undefined {
  const found = (re: RegExp) => ((re.lastIndex = i), re.exec(text))
  const number = (value: number, end: number): Token => ({
    kind: 'number',
    text: text.slice(i, end),
    start: i,
    end,
    value,
  })
  const both = found(FEET_INCHES)
  if (both) {
    const end = i + both[0].length
    const word = (kind: Token['kind'], name: string): Token => ({ kind, text: name, start: i, end })
    const feet = number(Number(both[1]), end)
    const inches = number(mixedValue(both[2]), end)
    return {
      list: [
        word('op', '('),
        feet,
        word('name', 'ft'),
        word('op', '+'),
        inches,
        word('name', 'in'),
        word('op', ')'),
      ],
      end,
    }
  }
  const mixed = found(WHOLE_AND_FRACTION) ?? found(VULGAR)
  if (!mixed) return undefined
  const end = i + mixed[0].length
  return { list: [number(mixedValue(mixed[0]), end)], end }
}

export const isOp = (t: Token | undefined, op: string): boolean => t?.kind === 'op' && t.text === op

/** What somebody means who writes a comma in a number, and the number as it should be written. */
export interface CommaHint {
  message: string
  /** The digits from `start` to `end` of the text, as they may have been meant, the likeliest first. */
  written: string[]
  start: number
  end: number
}

/** The hint for a comma at place `at` of the tokens; undefined where it stands in no number. */
export function commaHint(list: readonly Token[], at: number): CommaHint | undefined {
  const run = [list[at - 1]]
  for (let i = at; isOp(list[i], ',') && list[i + 1]?.kind === 'number'; i += 2) {
    if (run[run.length - 1].end !== list[i].start || list[i].end !== list[i + 1].start) break
    run.push(list[i + 1])
  }
  if (run.length < 2 || run[0].kind !== 'number') return undefined
  const digits = run.map((t) => t.text)
  const { start } = run[0]
  const { end } = run[run.length - 1]
  const thousands =
    /^\d{1,3}$/.test(digits[0]) &&
    digits.slice(1).every((d, i) => /^\d{3}$/.test(d) || (i === digits.length - 2 && /^\d{3}\.\d*$/.test(d)))
  // 1.234,5: the point parts the thousands, the comma is the decimal sign
  const pointed = digits.length === 2 && /^\d{1,3}\.\d{3}$/.test(digits[0])
  if (!thousands) {
    const written = pointed ? `${digits[0].replace('.', '')}.${digits[1]}` : digits.slice(0, 2).join('.')
    return { message: `Write the decimal sign as a point: ${written}.`, written: [written], start, end }
  }
  const decimal = digits.length === 2 && !digits[1].includes('.') ? digits.join('.') : undefined
  const whole = digits.join('')
  return {
    message:
      `Write ${whole} without the comma${digits.length > 2 ? 's' : ''}` +
      `${decimal ? `; for a decimal sign, use a point: ${decimal}` : ''}.`,
    written: decimal ? [whole, decimal] : [whole],
    start,
    end,
  }
}
