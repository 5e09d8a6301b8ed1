import type { Dimension } from '../quantity/dimension.js'
import { describe, LARGEST } from '../quantity/reader.js'
import { isRecord, join, type Report } from './report.js'

/**
 * The form of a value in the document, as data: what it may be, the dimension of a quantity, what a label
 * refers to. Checking (`form.check`), renaming and removal (`references.ts`), conversion of units
 * (`quantities.ts`) and the TypeScript types (`TypeOf`) all follow from it.
 */
export type Form<T = unknown> = FormData & {
  /** Reports what is wrong with a value, at its path. */
  check: Check
  /** The TypeScript type of a value of this form; never present at run time. */
  readonly '~type'?: () => T
}

/** The TypeScript type of the values of a form. */
export type TypeOf<F> = F extends { readonly '~type'?: () => infer T } ? T : never

export type Check = (value: unknown, path: string, report: Report) => void

/** The lists of the document whose entries are referred to by their label. */
export type Thing = 'node' | 'member' | 'material' | 'section' | 'case' | 'combination'

export type FormData =
  | { t: 'plain' }
  | { t: 'quantity'; dimension: QuantityDimension; percent: boolean }
  | Reference
  | { t: 'record'; keys: ReadonlyMap<string, { form: Form; required: boolean }> }
  | { t: 'dictionary'; item: Form; keys?: Reference }
  | { t: 'list'; item: Form }
  | { t: 'choice'; key: string; kinds: Readonly<Record<string, Form>> }

/**
 * The dimension of a quantity; it may depend on the record the quantity stands in (the value of an answer).
 */
export type QuantityDimension = Dimension | ((owner: Record<string, unknown>) => Dimension)

export interface Reference {
  t: 'reference'
  to: readonly Thing[]
  /**
   * What is removed together with the thing referred to: the whole record that refers to it (`record`), or
   * only these keys of the record.
   */
  whenRemoved: 'record' | readonly string[]
  /** Where the label is part of a longer text: the label, and the text with another label in its place. */
  within?: { label(text: string): string; replace(text: string, label: string): string }
}

const plain = <T>(check: Check): Form<T> => ({ t: 'plain', check })

/** A text of at most `limit` characters. */
export const text = (limit = 20_000): Form<string> =>
  plain((v, path, r) => {
    if (typeof v !== 'string') r.error(path, `A text is expected, not ${describe(v)}.`)
    else if (v.length > limit) r.error(path, `This text is longer than ${limit} characters.`)
  })

const checkLabel: Check = (v, path, r) => {
  if (typeof v !== 'string') r.error(path, `A label is expected, not ${describe(v)}.`)
  else if (v.length === 0 || [...v].length > 24)
    r.error(path, `A label has 1 to 24 characters, this one has ${[...v].length}.`)
  else if (/\p{C}|\p{Zl}|\p{Zp}/u.test(v) || v.trim() !== v)
    r.error(path, 'A label has visible characters only, with no space before or after.')
}

/** A label of one's own: 1 to 24 visible characters, no space at its ends, no control characters. */
export const label: Form<string> = plain(checkLabel)

/**
 * The label of something stated elsewhere in the document.
 * @param whenRemoved what goes when that thing is removed: this record, or some of its keys
 */
export const reference = (to: Thing | Thing[], whenRemoved: Reference['whenRemoved'] = 'record') =>
  ({ t: 'reference', to: [to].flat(), whenRemoved, check: checkLabel }) as Form<string> & Reference

/** A text that begins with a label and a space: the name of an unknown, "B rotation". */
export const labelled = (to: Thing): Form<string> => ({
  ...text(60),
  t: 'reference',
  to: [to],
  whenRemoved: 'record',
  within: {
    label: (t) => t.slice(0, t.lastIndexOf(' ')),
    replace: (t, name) => `${name}${t.slice(t.lastIndexOf(' '))}`,
  },
})

/** One of a few values. */
export const oneOf = <const V extends string | number | boolean>(...allowed: V[]): Form<V> =>
  plain((v, path, r) => {
    if (!allowed.includes(v as V)) r.error(path, `Expected ${either(allowed)}, not ${describe(v)}.`)
  })

const either = (values: readonly unknown[]): string =>
  values
    .map((a) => JSON.stringify(a))
    .join(', ')
    .replace(/, ([^,]*)$/, ' or $1')

/** A number without a dimension, of a magnitude that can be computed with. */
export const number: Form<number> = plain((v, path, r) => {
  if (typeof v !== 'number' || !Number.isFinite(v)) r.error(path, `A number is expected, not ${describe(v)}.`)
  else if (Math.abs(v) > LARGEST) r.error(path, 'This number is too large.')
})

const checkQuantity: Check = (v, path, r) => {
  if (typeof v === 'number' ? !Number.isFinite(v) : typeof v !== 'string')
    r.error(path, `A number or an expression such as "12*26 in" is expected, not ${describe(v)}.`)
}

/**
 * A number in coherent units or an expression. Only the form is checked here; the value is read later, with
 * the units and symbols of the problem.
 * @param percent a percentage stands for a share: of the length for a place, of the value for a tolerance
 */
export const quantity = (dimension: QuantityDimension, { percent = false } = {}): Form<number | string> => ({
  t: 'quantity',
  dimension,
  percent,
  check: checkQuantity,
})

/** A release: true or false, or the stiffness of a spring. */
export const release = (dimension: Dimension): Form<true | number | string> => ({
  t: 'quantity',
  dimension,
  percent: false,
  check: (v, path, r) => {
    if (typeof v !== 'boolean') checkQuantity(v, path, r)
  },
})

export const boolean: Form<boolean> = plain((v, path, r) => {
  if (typeof v !== 'boolean') r.error(path, `true or false is expected, not ${describe(v)}.`)
})

export const anything: Form<unknown> = plain(() => {})

type Keys = Record<string, Form>
type RequiredKeys<K extends Keys> = { [P in keyof K as P extends `${infer N}!` ? N : never]: TypeOf<K[P]> }
type OptionalKeys<K extends Keys> = {
  [P in keyof K as P extends `${string}!` ? never : P]?: TypeOf<K[P]>
}
type Flat<T> = { [P in keyof T]: T[P] }
export type RecordOf<K extends Keys> = Flat<RequiredKeys<K> & OptionalKeys<K>>

/** An object with these keys; `!` after a key makes it required. Unknown keys are kept and noticed. */
export function record<K extends Keys>(keys: K): Form<RecordOf<K>> {
  const known = new Map(
    Object.entries(keys).map(([k, form]) => [k.replace('!', ''), { form, required: k.endsWith('!') }]),
  )
  const required = [...known].filter(([, k]) => k.required).map(([key]) => key)
  const check: Check = (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    for (const key of required) if (!Object.hasOwn(v, key)) r.error(join(path, key), `"${key}" is missing.`)
    for (const key of Object.keys(v)) {
      const entry = known.get(key)
      if (entry) entry.form.check(v[key], join(path, key), r)
      else r.notice(join(path, key), `"${key}" is not known to this version; it is kept as it is.`)
    }
  }
  return { t: 'record', keys: known, check }
}

/** An object whose keys are a person's own (symbols), or labels of other things (the factors of cases). */
export const dictionary = <T>(item: Form<T>, keys?: Reference): Form<Record<string, T>> => ({
  t: 'dictionary',
  item,
  keys,
  check: (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    for (const key of Object.keys(v)) item.check(v[key], join(path, key), r)
  },
})

export const list = <T>(item: Form<T>, limit = 100_000): Form<T[]> => ({
  t: 'list',
  item,
  check: (v, path, r) => {
    if (!Array.isArray(v)) return r.error(path, `A list is expected, not ${describe(v)}.`)
    if (v.length > limit)
      return r.error(path, `At most ${limit} entries are read, this list has ${v.length}.`)
    v.forEach((entry, i) => item.check(entry, `${path}[${i}]`, r))
  },
})

/** A record whose further keys depend on one of them, as those of a load on its `type`. */
export const choice = <K extends Record<string, Form>>(key: string, kinds: K): Form<TypeOf<K[keyof K]>> => ({
  t: 'choice',
  key,
  kinds,
  check: (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    const kind = v[key]
    if (typeof kind === 'string' && Object.hasOwn(kinds, kind)) return kinds[kind].check(v, path, r)
    if (kind === undefined) return r.error(join(path, key), `"${key}" is missing.`)
    r.error(join(path, key), `Expected ${either(Object.keys(kinds))}, not ${describe(kind)}.`)
  },
})

/** A number in place of a record, or that record: the row of a matrix by its number or by its unknown. */
export const numberOr = <N extends number, T>(numbers: Form<N>, other: Form<T>): Form<N | T> => ({
  ...other,
  check: (v, path, r) => (typeof v === 'number' ? numbers : other).check(v, path, r),
})
