import { withUnit, type Display } from '../../document/display.js'
import { SUPPORT_KINDS } from '../../kinds/supports/types.js'
import { formatNumber } from '../../quantity/format.js'
import type { Component, Structure, StructureSupport } from '../../structure/types.js'
import { inWords, loadsDrawn } from './pictures.js'
import { structural, type Found, type SlipContext, type SlipKind } from './slip.js'

/** Slips of a support: another type, its turn, its springs, its settlement. */

const WAYS: readonly Component[] = ['x', 'y', 'rotation']
const FREE = { x: false, y: false, rotation: false }
const LINE = { stiffness: 'unknowns', 'slope-deflection': 'unknowns', 'moment-distribution': 'factors' }

/** The structure with one support changed; a direction that is not fixed settles nowhere. */
function withSupport(s: Structure, i: number, change: Partial<StructureSupport>): Structure {
  const supports = s.supports.map((p, j) => {
    if (j !== i) return p
    const next = { ...p, ...change }
    const settlement = { ...next.settlement }
    for (const w of WAYS) if (next.hold[w] !== true) settlement[w] = 0
    return { ...next, settlement }
  })
  return { ...s, supports }
}

/** A support as a slip has it, with the words of the slip. */
type Changed = Omit<Found, 'solve' | 'change'> & { to: Partial<StructureSupport> }

/** A kind of slip of a single support, by what it makes of each. */
const ofEachSupport = (
  kind: Omit<SlipKind, 'find' | 'line'>,
  make: (p: StructureSupport, id: string, ctx: SlipContext, i: number) => readonly Changed[],
): SlipKind => ({
  line: LINE,
  picture: loadsDrawn,
  ...kind,
  find: (ctx) =>
    ctx.structure.supports.flatMap((p, i) =>
      make(p, ctx.structure.nodes[p.node].id, ctx, i).map(({ to, ...found }) =>
        structural(ctx, found, () => withSupport(ctx.structure, i, to)),
      ),
    ),
})

function otherTypes(p: StructureSupport, id: string, { structure }: SlipContext): Changed[] {
  const truss = structure.kind === 'truss'
  const same = (hold: Record<Component, boolean>) =>
    WAYS.every((w) => (truss && w === 'rotation') || p.hold[w] === hold[w])
  // springs have slips of their own
  if (WAYS.some((w) => typeof p.hold[w] === 'number')) return []
  const types: [string, Record<Component, boolean>][] = [...Object.entries(SUPPORT_KINDS), ['free', FREE]]
  return types
    .filter(([type, hold]) => !same(hold) && !(truss && ['fixed', 'guide', 'slider'].includes(type)))
    .map(([taken, hold]) => ({
      to: { hold },
      subject: { node: id, taken },
      ...(taken === 'free' ? { commonness: 0.01 } : {}),
      sentence:
        taken === 'free'
          ? `Your values fit a solution without the support at ${id}.`
          : `Your values fit a ${taken} support at ${id}.`,
    }))
}

/** A spring at a support taken as held or as free. */
const spring = (key: string, did: string, hold: boolean): SlipKind =>
  ofEachSupport({ key, did, about: ['node', 'component'], commonness: 0.06 }, (p, node) =>
    WAYS.filter((w) => typeof p.hold[w] === 'number').map((component) => ({
      to: { hold: { ...p.hold, [component]: hold } },
      subject: { node, component },
      sentence: `Your values fit a spring at ${node} (${component}) that is ${hold ? 'rigid' : 'left out'}.`,
    })),
  )

/** A settlement taken as so many times itself. */
const settlement = (key: string, did: string, times: -1 | 0): SlipKind =>
  ofEachSupport(
    { key, did, about: ['node', 'component'], commonness: 0.07, picture: settlementsInWords },
    (p, node, _, i) =>
      WAYS.filter((w) => p.settlement[w] !== 0).map((component) => ({
        to: { settlement: { ...p.settlement, [component]: times * p.settlement[component] } },
        subject: { node, component },
        addsAt: `settlement ${i} ${component} on joint`,
        sentence: `Your values fit the settlement of ${node} ${times === 0 ? 'left out' : 'the other way'}.`,
      })),
  )

const settlementsInWords: SlipKind['picture'] = ({ subject, right, wrong, display }) => {
  const node = String(subject.node)
  const of = (s: Structure) => settlementWords(s, node, subject.component as Component, display)
  return inWords(`${node} settles ${of(wrong)}`, `${node} settles ${of(right)}`)
}

function settlementWords(s: Structure, node: string, c: Component, display: Display): string {
  const support = s.supports.find((p) => s.nodes[p.node].id === node)
  const v = support?.settlement[c] ?? 0
  if (v === 0) return 'not at all'
  if (c === 'rotation') return `${formatNumber(Math.abs(v))} rad ${v < 0 ? 'clockwise' : 'counter-clockwise'}`
  const way = c === 'x' ? (v < 0 ? 'to the left' : 'to the right') : v < 0 ? 'down' : 'up'
  return `${withUnit(Math.abs(v), display.displacement)} ${way}`
}

export const SUPPORT_SLIPS: readonly SlipKind[] = [
  ofEachSupport(
    {
      key: 'support',
      did:
        'took the support for another: `taken` is a support `type` of the format (turned as stated) or ' +
        '`"free"`',
      about: ['node', 'taken'],
      commonness: 0.03,
      clashes: (a, b) => a.node === b.node,
    },
    otherTypes,
  ),
  ofEachSupport(
    { key: 'support-angle', did: 'did not turn a turned support', about: ['node'], commonness: 0.08 },
    (p, node) =>
      p.angle === 0
        ? []
        : [
            {
              to: { angle: 0 },
              subject: { node },
              sentence: `Your values fit a support at ${node} that is not turned.`,
            },
          ],
  ),
  spring('spring-left-out', 'took a spring support as free', false),
  spring('spring-rigid', 'took a spring support as fixed', true),
  settlement('settlement-sign', 'took the settlement the other way', -1),
  settlement('settlement-left-out', 'forgot the settlement', 0),
]
