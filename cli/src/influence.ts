import {
  influenceDocument,
  influenceLine,
  readAlong,
  readAsked,
  type Direction,
  type InfluenceLine,
  type Solved,
} from '@viga/core'
import { solvedProblem } from './solved.js'
import { invalid, print, sourceOf, unsolved, type Answer } from './outcome.js'

export interface InfluenceCall {
  /** The quantities, each as JSON with the keys of an answer. */
  of: string[]
  /** The members along which the force moves; all of them where it is left out. */
  along?: string
  direction: Direction
  stations: number
}

const wrong = (path: string, message: string) => invalid([{ kind: 'invalid', path, message }])

/** The text of a problem file → the influence lines of some quantities. */
export function influenceOf(source: string, call: InfluenceCall): Answer {
  const read = solvedProblem(source)
  if ('status' in read) return read
  const { problem, solved } = read
  const { structure } = solved.solution
  const along = call.along === undefined ? undefined : readAlong(structure, call.along)
  if (along && 'unknown' in along) return wrong('along', `There is no member ${along.unknown}.`)
  const lines: InfluenceLine[] = []
  const before: Solved = solved
  for (const text of call.of) {
    const asked = askedOf(text)
    if (asked === undefined) return wrong('of', `${text} is not valid JSON.`)
    const quantity = readAsked(problem, asked)
    if (!('ok' in quantity)) return invalid([quantity])
    const found = influenceLine(problem, structure, quantity.asked, call.direction, along, before)
    if (!found.ok) return unsolved({ kind: 'unsupported', message: found.message })
    lines.push(found.line)
  }
  return { status: 0, document: influenceDocument(problem, structure, lines, call.stations) }
}

function askedOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}

/** Prints the influence lines of one file (or standard input for `-`); returns the exit status. */
export async function influenceFile(file: string, call: InfluenceCall): Promise<number> {
  const source = await sourceOf(file)
  return print(typeof source === 'string' ? influenceOf(source, call) : source)
}
