import { SUPPORT_KINDS } from '../../kinds/supports/types.js'
import type { Component, Structure, StructureSupport } from '../../structure/types.js'
import { structural, type Candidate, type SlipContext, type Slips } from './slip.js'

/** Slips of a support: another type, its turn, its springs, its settlement. */

const WAYS: readonly Component[] = ['x', 'y', 'rotation']
const FREE = { x: false, y: false, rotation: false }

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

export const supportSlips: Slips = (ctx) =>
  ctx.structure.supports.flatMap((p, i) => [
    ...otherTypes(ctx, p, i),
    ...turn(ctx, p, i),
    ...springs(ctx, p, i),
    ...settlements(ctx, p, i),
  ])

function candidate(
  ctx: SlipContext,
  i: number,
  change: Partial<StructureSupport>,
  rest: Omit<Candidate, 'solve' | 'change' | 'step'>,
): Candidate {
  return structural(ctx, { ...rest, step: 'unknowns' }, () => withSupport(ctx.structure, i, change))
}

function otherTypes(ctx: SlipContext, p: StructureSupport, i: number): Candidate[] {
  const { id } = ctx.structure.nodes[p.node]
  const truss = ctx.structure.kind === 'truss'
  const same = (hold: Record<Component, boolean>) =>
    WAYS.every((w) => (truss && w === 'rotation') || p.hold[w] === hold[w])
  // springs have slips of their own
  if (WAYS.some((w) => typeof p.hold[w] === 'number')) return []
  const types: [string, Record<Component, boolean>][] = [...Object.entries(SUPPORT_KINDS), ['free', FREE]]
  return types
    .filter(([type, hold]) => !same(hold) && !(truss && ['fixed', 'guide', 'slider'].includes(type)))
    .map(([taken, hold]) =>
      candidate(
        ctx,
        i,
        { hold },
        {
          kind: 'support',
          subject: { node: id, taken },
          commonness: taken === 'free' ? 0.01 : 0.03,
          sentence:
            taken === 'free'
              ? `Your values fit a solution without the support at ${id}.`
              : `Your values fit a ${taken} support at ${id}.`,
        },
      ),
    )
}

function turn(ctx: SlipContext, p: StructureSupport, i: number): Candidate[] {
  if (p.angle === 0) return []
  const { id } = ctx.structure.nodes[p.node]
  return [
    candidate(
      ctx,
      i,
      { angle: 0 },
      {
        kind: 'support-angle',
        subject: { node: id },
        commonness: 0.08,
        sentence: `Your values fit a support at ${id} that is not turned.`,
      },
    ),
  ]
}

function springs(ctx: SlipContext, p: StructureSupport, i: number): Candidate[] {
  const { id } = ctx.structure.nodes[p.node]
  return WAYS.filter((w) => typeof p.hold[w] === 'number').flatMap((component) =>
    ([false, true] as const).map((hold) =>
      candidate(
        ctx,
        i,
        { hold: { ...p.hold, [component]: hold } },
        {
          kind: hold ? 'spring-rigid' : 'spring-left-out',
          subject: { node: id, component },
          commonness: 0.06,
          sentence:
            `Your values fit a spring at ${id} (${component}) that is ` + `${hold ? 'rigid' : 'left out'}.`,
        },
      ),
    ),
  )
}

function settlements(ctx: SlipContext, p: StructureSupport, i: number): Candidate[] {
  const { id } = ctx.structure.nodes[p.node]
  return WAYS.filter((w) => p.settlement[w] !== 0).flatMap((component) =>
    ([-1, 0] as const).map((f) =>
      candidate(
        ctx,
        i,
        { settlement: { ...p.settlement, [component]: f * p.settlement[component] } },
        {
          kind: f === 0 ? 'settlement-left-out' : 'settlement-sign',
          subject: { node: id, component },
          commonness: 0.07,
          addsAt: `settlement ${i} ${component} on joint`,
          sentence: `Your values fit the settlement of ${id} ${f === 0 ? 'left out' : 'the other way'}.`,
        },
      ),
    ),
  )
}
