import { describe } from '../quantity/reader.js'
import type { Notice, ProblemError } from './types.js'

/** A checker of one value: reports what is wrong with it at its path. */
export type Check = (value: unknown, path: string, report: Report) => void

export interface Report {
  error(path: string, message: string): void
  notice(path: string, message: string): void
}

/**
 * Gathers errors and notices; stops adding after `limit` errors, since a damaged file has thousands of the
 * same.
 */
export function collect(limit = 100): Report & { errors: ProblemError[]; notices: Notice[] } {
  const errors: ProblemError[] = []
  const notices: Notice[] = []
  return {
    errors,
    notices,
    error(path, message) {
      if (errors.length < limit) errors.push({ kind: 'invalid', path: path || '$', message })
    },
    notice(path, message) {
      if (notices.length < limit) notices.push({ path, message })
    },
  }
}

export const join = (path: string, key: string) => (path === '' || path === '$' ? key : `${path}.${key}`)

export const isRecord = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v)

export const text =
  (limit = 20_000): Check =>
  (v, path, r) => {
    if (typeof v !== 'string') r.error(path, `A text is expected, not ${describe(v)}.`)
    else if (v.length > limit) r.error(path, `This text is longer than ${limit} characters.`)
  }

/** 1 to 24 visible characters: no spaces at the ends, no control characters. */
export const id: Check = (v, path, r) => {
  if (typeof v !== 'string') r.error(path, `A label is expected, not ${describe(v)}.`)
  else if (v.length === 0 || [...v].length > 24)
    r.error(path, `A label has 1 to 24 characters, this one has ${[...v].length}.`)
  else if (/\p{C}|\p{Zl}|\p{Zp}/u.test(v) || v.trim() !== v)
    r.error(path, 'A label has visible characters only, with no space before or after.')
}

export const oneOf =
  (...allowed: (string | number | boolean)[]): Check =>
  (v, path, r) => {
    if (!allowed.includes(v as string))
      r.error(
        path,
        `Expected ${allowed
          .map((a) => JSON.stringify(a))
          .join(', ')
          .replace(/, ([^,]*)$/, ' or $1')}, not ${describe(v)}.`,
      )
  }

export const number: Check = (v, path, r) => {
  if (typeof v !== 'number' || !Number.isFinite(v)) r.error(path, `A number is expected, not ${describe(v)}.`)
}

/** The form of a quantity; its value is read later, with the problem's units and symbols. */
export const quantity: Check = (v, path, r) => {
  if (typeof v === 'number' ? !Number.isFinite(v) : typeof v !== 'string')
    r.error(path, `A number or an expression such as "12*26 in" is expected, not ${describe(v)}.`)
}

export const boolean: Check = (v, path, r) => {
  if (typeof v !== 'boolean') r.error(path, `true or false is expected, not ${describe(v)}.`)
}

export const anything: Check = () => {}

/** An object with these keys; `!` after a key makes it required. Unknown keys are kept and noticed. */
export function record(keys: Record<string, Check>): Check {
  const known = new Map(
    Object.entries(keys).map(([k, check]) => [k.replace('!', ''), { check, required: k.endsWith('!') }]),
  )
  return (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    for (const [key, { required }] of known)
      if (required && !Object.hasOwn(v, key)) r.error(join(path, key), `"${key}" is missing.`)
    for (const key of Object.keys(v)) {
      const entry = known.get(key)
      if (entry) entry.check(v[key], join(path, key), r)
      else r.notice(join(path, key), `"${key}" is not known to this version; it is kept as it is.`)
    }
  }
}

/** An object whose keys are a person's own, such as symbols or factors. */
export const dictionary =
  (check: Check): Check =>
  (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    for (const key of Object.keys(v)) check(v[key], join(path, key), r)
  }

export const list =
  (check: Check, limit = 100_000): Check =>
  (v, path, r) => {
    if (!Array.isArray(v)) return r.error(path, `A list is expected, not ${describe(v)}.`)
    if (v.length > limit)
      return r.error(path, `At most ${limit} entries are read, this list has ${v.length}.`)
    v.forEach((item, i) => check(item, `${path}[${i}]`, r))
  }

/** Chooses the check by the value of a key, such as a load's `type`. */
export const by =
  (key: string, kinds: Record<string, Check>): Check =>
  (v, path, r) => {
    if (!isRecord(v)) return r.error(path, `An object is expected, not ${describe(v)}.`)
    const kind = v[key]
    if (typeof kind === 'string' && Object.hasOwn(kinds, kind)) return kinds[kind](v, path, r)
    if (kind === undefined) return r.error(join(path, key), `"${key}" is missing.`)
    oneOf(...Object.keys(kinds))(kind, join(path, key), r)
  }

/** Ids unique within a list; `keyOf` tells which property is the id. */
export function unique(
  items: unknown,
  path: string,
  key: string,
  what: string,
  r: Report,
  seen = new Map<string, string>(),
): Map<string, string> {
  if (!Array.isArray(items)) return seen
  items.forEach((item, i) => {
    if (!isRecord(item) || typeof item[key] !== 'string') return
    const here = `${path}[${i}]`
    const before = seen.get(item[key])
    if (before) r.error(`${here}.${key}`, `${what} ${item[key]} is there already (${before}).`)
    else seen.set(item[key], here)
  })
  return seen
}
