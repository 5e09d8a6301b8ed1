import {
  formatNumber,
  influenceLine,
  pathOf,
  type Asked,
  type Display,
  type InfluenceLine,
  type PathMember,
  type Problem,
  type ShownUnit,
  type Structure,
} from '@viga/core'

/** Along more members than this no line is asked for by itself, and in larger structures none at all. */
export const [MOST_ALONG, MOST_MEMBERS] = [150, 1000]

/** The unit of a quantity, as the Results show it. */
export function unitOf(asked: Asked, display: Display): ShownUnit {
  switch (asked.quantity) {
    case 'moment':
      return display.moment
    case 'deflection':
      return display.displacement
    case 'displacement':
      return asked.component === 'rotation' ? display.rotation : display.displacement
    case 'reaction':
    case 'fixed-end':
    case 'load-vector':
      return asked.component === 'rotation' ? display.moment : display.force
    default:
      return display.force
  }
}

/** A value of a line, SI for each N, as it is shown for each shown unit of force. */
export const perForce = (si: number, asked: Asked, display: Display): number =>
  (si * unitOf(asked, display).perSI) / display.force.perSI

/** `m`, or nothing where a force is measured for a force: the unit of the values of a line. */
export const lineUnit = (asked: Asked, display: Display): string => {
  const { unit } = unitOf(asked, display)
  if (unit === display.force.unit) return ''
  return unit === display.moment.unit ? display.length.unit : `${unit}/${display.force.unit}`
}

export const written = (si: number, asked: Asked, display: Display): string =>
  formatNumber(perForce(si, asked, display), { figures: 4 })

/** The members along which the force moves: those that are kept, else all; undefined where one is gone. */
export function membersAlong(s: Structure, along: readonly string[] | undefined): number[] {
  const all = s.members.map((_, i) => i)
  if (!along) return all
  const found = along.map((id) => s.members.findIndex((m) => m.id === id)).filter((i) => i >= 0)
  return found.length > 0 ? found : all
}

export type Found = { line: InfluenceLine; path: readonly PathMember[] | undefined } | { message: string }

/** The line of a quantity, and the path that its members make, where they make one. */
export function findLine(problem: Problem, s: Structure, asked: Asked, members: readonly number[]): Found {
  if (s.members.length > MOST_MEMBERS || members.length > MOST_ALONG)
    return { message: `Choose up to ${MOST_ALONG} members along which the force moves.` }
  const found = influenceLine(problem, s, asked, '-Y', members)
  return found.ok ? { line: found.line, path: pathOf(s, members) } : { message: found.message }
}
