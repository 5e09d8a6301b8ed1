import * as D from '../../../quantity/dimension.js'
import { formatPlain } from '../../../quantity/format.js'
import type { StructureMember } from '../../../structure/types.js'
import { coherentUnitName } from '../../../quantity/units.js'
import { type Context, type Found, type Finder, type Kind, kinds } from './kind.js'
import { toJoint, toMember } from './belongs.js'
import { COMPONENTS } from '../../../analysis/dofs.js'

const stated = (symbol: Found['symbol'], si: number, dimension: D.Dimension, words: string): Found => ({
  symbol,
  si,
  dimension,
  exact: true,
  origin: () => ({ kind: 'stated', words }),
})

/** What was typed, where it says more than the number. */
const typed = (q: unknown): string =>
  typeof q === 'string' && q.trim() !== '' ? `, stated as ${q.trim()}` : ''

const coordinate =
  (side: 'x' | 'y'): Finder =>
  (c, id) => {
    const n = c.node(id)
    if (n < 0) return undefined
    const q = c.problem?.nodes.find((o) => o.id === id)?.[side]
    return stated(
      { letter: side, of: id },
      c.solution.structure.nodes[n][side],
      D.length,
      `The ${side} of joint ${id}${typed(q)}.`,
    )
  }

/**
 * A property of a member that the problem states, or that its section and material give; none where nobody
 * states it.
 */
const property =
  (
    letter: string,
    of: (m: StructureMember) => number,
    dimension: D.Dimension,
    words: (c: Context, id: string) => string,
  ): Finder =>
  (c, id) => {
    const i = c.member(id)
    const value = i < 0 ? NaN : of(c.solution.structure.members[i])
    return Number.isNaN(value) ? undefined : stated({ letter, of: id }, value, dimension, words(c, id))
  }

const material = (name: string, key: 'E' | 'alpha') => (c: Context, id: string) => {
  const m = c.problem?.members.find((o) => o.id === id)
  const q = c.problem?.materials?.find((o) => o.id === m?.material)?.[key]
  return m?.material
    ? `${name} of the material ${m.material}, of which ${id} is made${typed(q)}.`
    : `${name} of ${id}.`
}
const section = (name: string, key: 'A' | 'I' | 'depth') => (c: Context, id: string) => {
  const m = c.problem?.members.find((o) => o.id === id)
  const q = (c.problem?.sections?.find((o) => o.id === m?.section) as Record<string, unknown> | undefined)?.[
    key
  ]
  return m?.section ? `${name} of the section ${m.section} of ${id}${typed(q)}.` : `${name} of ${id}.`
}

/** Numbers that stand in the problem itself. */
export const STATED: Record<string, Kind> = {
  ...kinds(toJoint, {
    x: coordinate('x'),
    y: coordinate('y'),
  }),
  ...kinds(toMember, {
    E: property('E', (m) => m.E, D.stress, material('Modulus of elasticity', 'E')),
    A: property('A', (m) => m.A, D.area, section('Area', 'A')),
    I: property('I', (m) => m.I, D.secondMoment, section('Second moment of area', 'I')),
    shear: property(
      'GAs',
      (m) => m.GAs,
      D.force,
      (_, id) => `Shear rigidity G·As of ${id}: its shear modulus times its shear area.`,
    ),
    alpha: property(
      'α',
      (m) => m.alpha,
      D.perTemperature,
      material('Coefficient of thermal expansion', 'alpha'),
    ),
    depth: property('h', (m) => m.depth, D.length, section('Depth', 'depth')),
    weight: property(
      'γA',
      (m) => m.weight,
      D.forcePerLength,
      (_, id) => `Weight of ${id} per length: unit weight of its material times its area.`,
    ),
    /** A spring at a member's end: the component 0 to 5 of its releases. */
    'end-spring': (c, id, at) => {
      const m = c.solution.structure.members[c.member(id)]
      const spring = m?.releases[Number(at)]
      if (typeof spring !== 'number') return undefined
      return stated(
        { letter: 's', sub: String(Number(at) + 1), of: id },
        spring,
        Number(at) % 3 === 2 ? D.moment : D.forcePerLength,
        `The spring at the ${Number(at) < 3 ? 'start' : 'end'} of ${id}.`,
      )
    },
  }),
  ...kinds(toJoint, {
    /** A support spring, by joint and component. */
    spring: (c, id, at) => {
      const hold = c.solution.dofs.supportAt.get(c.node(id))?.hold[COMPONENTS[Number(at)]]
      return typeof hold === 'number'
        ? stated(
            { letter: 's', sub: COMPONENTS[Number(at)], of: id },
            hold,
            at === '2' ? D.moment : D.forcePerLength,
            `The spring of the support at ${id}.`,
          )
        : undefined
    },
    /** The turn of a support's own axes. */
    turn: (c, id) => {
      const n = c.node(id)
      const angle = n < 0 ? 0 : c.solution.dofs.angle[n]
      return angle === 0
        ? undefined
        : stated(
            { letter: 'θ', of: id },
            angle,
            D.angle,
            `The support at ${id} is turned by ${formatPlain((angle * 180) / Math.PI)}° counter-clockwise.`,
          )
    },
    /** A settlement of the shown case, by joint and component. */
    settlement: (c, id, at) => {
      const i = c.solution.structure.supports.findIndex((p) => p.node === c.node(id))
      if (i < 0) return undefined
      const component = COMPONENTS[Number(at)]
      const { settlement } = c.solution.structure.supports[i]
      const dimension = at === '2' ? D.angle : D.length
      const factor = c.action.actions.settlement[i]
      const words =
        factor === 1 || factor === 0
          ? `The support at ${id} ` +
            `${settlement[component] === 0 || factor === 0 ? 'does not move' : 'settles as stated'} in ` +
            'this direction.'
          : `${formatPlain(factor)} times the settlement stated, ` +
            `${formatPlain(c.coherent(settlement[component], dimension))} ` +
            `${coherentUnitName(c.units, dimension)}.`
      return stated({ letter: 'D', sub: component, of: id }, factor * settlement[component], dimension, words)
    },
  }),
}
