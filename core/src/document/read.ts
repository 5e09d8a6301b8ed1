import { isDimension, unitByName } from './units.js'
import { collect, isRecord, type Report } from './report.js'
import { document } from './schema.js'
import { sizeError } from './size.js'
import type { Notice, Problem, ProblemError } from './types.js'

/** Larger files are refused before they are parsed. */
export const MAX_BYTES = 24_000_000
/** Deeper nesting than this is refused; the contract needs eight levels, `view` may use more. */
export const MAX_NESTING = 40
export const VERSION = 1

export type ReadResult =
  { ok: true; problem: Problem; notices: Notice[] } | { ok: false; errors: ProblemError[] }

const refuse = (path: string, message: string): ReadResult => ({
  ok: false,
  errors: [{ kind: 'invalid', path, message }],
})

/**
 * Reads the text of a problem file. Checks form only: keys, types, labels. `resolve` checks what the entries
 * mean. Never throws; every refusal has a path and a sentence. Unknown keys stay where they are and are
 * listed as notices.
 */
export function readProblem(source: string): ReadResult {
  if (source.length > MAX_BYTES) return refuse('$', `The file is larger than ${MAX_BYTES / 1e6} MB.`)
  if (nestingOf(source) > MAX_NESTING)
    return refuse('$', `The file is nested more than ${MAX_NESTING} levels deep.`)
  let value: unknown
  try {
    value = JSON.parse(source.replace(/^\uFEFF/, ''))
  } catch (error) {
    return refuse('$', `This is not valid JSON: ${(error as Error).message}.`)
  }
  return checkProblem(value)
}

/** Checks the form of a parsed document; returns the same object as a Problem. */
export function checkProblem(value: unknown): ReadResult {
  if (!isRecord(value)) return refuse('$', 'A problem file holds one object with "format": "viga-problem".')
  if (value.format !== 'viga-problem')
    return refuse('format', 'This is not a Viga problem: "format" is not "viga-problem".')
  if (typeof value.version === 'number' && value.version > VERSION)
    return refuse(
      'version',
      `This file is version ${value.version}; this Viga reads up to version ${VERSION}.`,
    )
  const r = collect()
  document.check(value, '', r)
  if (isRecord(value.units)) {
    for (const key of ['length', 'force'] as const) {
      const name = value.units[key]
      if (typeof name === 'string' && !isDimension(name, key))
        r.error(
          `units.${key}`,
          `${name || '""'} is not a unit of ${key}${unitByName(name) ? '' : ' that Viga knows'}.`,
        )
    }
  }
  unique(value.materials, 'materials', 'id', 'Material', r)
  unique(value.sections, 'sections', 'id', 'Section', r)
  unique(value.nodes, 'nodes', 'id', 'Joint', r)
  unique(value.members, 'members', 'id', 'Member', r)
  unique(value.supports, 'supports', 'node', 'A support of joint', r)
  unique(
    value.combinations,
    'combinations',
    'id',
    'Case or combination',
    r,
    unique(value.loadCases, 'loadCases', 'id', 'Case', r),
  )
  unique(value.answers, 'answers', 'id', 'Answer', r)
  if (r.errors.length) return { ok: false, errors: r.errors }
  const large = sizeError(value as unknown as Problem)
  if (large) return { ok: false, errors: [large] }
  return { ok: true, problem: value as unknown as Problem, notices: r.notices }
}

/** The text of a problem file; reading it back gives an equal problem. */
export const writeProblem = (problem: Problem): string => `${JSON.stringify(problem, null, 2)}\n`

/**
 * Depth of brackets outside strings, found without recursion so that a hostile file cannot exhaust the stack.
 */
export function nestingOf(source: string): number {
  let depth = 0
  let deepest = 0
  let inString = false
  for (let i = 0; i < source.length; i++) {
    const c = source.charCodeAt(i)
    if (inString) {
      if (c === 92) i++
      else if (c === 34) inString = false
    } else if (c === 34) inString = true
    else if (c === 123 || c === 91) deepest = Math.max(deepest, ++depth)
    else if (c === 125 || c === 93) depth--
  }
  return deepest
}

/**
 * Reports labels that occur twice in a list; `seen` holds those of other lists they must differ from.
 * @param key the key that holds the label
 */
function unique(
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
