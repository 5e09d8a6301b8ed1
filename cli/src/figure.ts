import { writeFile } from 'node:fs/promises'
import { readProblem, work } from '@viga/core'
import { figurePicture, SHOWN, type Shown } from '@viga/drawing/figure-file'
import { PAPER_INKS } from '@viga/drawing/inks'
import { pictureSvg } from '@viga/drawing/svg'
import { typefaceRules } from '@viga/paper/typefaces'
import { invalid, notWritten, print, sourceOf, unsolved, type Failure } from './outcome.js'

export interface FigureCall {
  show: Shown[]
  case?: string
  output?: string
  caption?: boolean
  width?: number
  height?: number
}

/** What `--show` may name, for the sentence on a name that it does not know. */
export const shownNames = SHOWN.join(', ')

/** The names in a list such as `M,reactions`; the first that is not known otherwise. */
export function readShown(list: string): Shown[] | { unknown: string } {
  const names = list.split(',').map((n) => n.trim())
  const unknown = names.find((n) => !SHOWN.includes(n as Shown))
  return unknown === undefined ? (names as Shown[]) : { unknown }
}

/** The text of a problem file → the text of an SVG file, or what is wrong. */
export function figureOf(source: string, call: FigureCall): string | Failure {
  const read = readProblem(source)
  if (!read.ok) return invalid(read.errors)
  const { problem } = read
  const ids = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].map((c) => c.id)
  if (call.case !== undefined && !ids.includes(call.case))
    return invalid([{ kind: 'invalid', path: '$', message: `There is no case or combination ${call.case}.` }])
  const outcome = work(problem)
  if (outcome.stage === 'invalid') return invalid(outcome.errors)
  // a figure of the statement needs no solution; a diagram does
  const needs = call.show.some((s) => !['loads', 'dimensions', 'supports', 'names'].includes(s))
  if (outcome.stage === 'unsolved' && needs) return unsolved(outcome.error)
  const solution = outcome.stage === 'solved' ? outcome.solution : undefined
  const picture = figurePicture(problem, outcome.structure, solution, {
    shown: call.show,
    case: call.case,
    width: call.width,
    height: call.height,
    captioned: call.caption,
  })
  if (!picture) return invalid([{ kind: 'invalid', path: 'nodes', message: 'There is nothing to draw yet.' }])
  return pictureSvg(picture, { inks: PAPER_INKS, fonts: typefaceRules() })
}

/**
 * Draws one file (or standard input for `-`) as SVG to a file or to standard output; returns the exit status.
 */
export async function drawFile(file: string, call: FigureCall): Promise<number> {
  const source = await sourceOf(file)
  if (typeof source !== 'string') return print(source)
  const svg = figureOf(source, call)
  if (typeof svg !== 'string') return print(svg)
  if (call.output === undefined) {
    process.stdout.write(svg)
    return 0
  }
  try {
    await writeFile(call.output, svg)
    return 0
  } catch (error) {
    return print(notWritten(call.output, error))
  }
}
