import * as D from '../quantity/dimension.js'
import { join } from '../document/report.js'
import type { Component, Support } from '../document/types.js'
import { optional, value, type Reading } from '../document/values.js'
import { SUPPORT_KINDS } from '../kinds/supports/types.js'
import type { Hold, StructureSupport } from './types.js'

/** What a support of the document is resolved with. */
export interface SupportContext extends Reading {
  nodes: ReadonlyMap<string, number>
  cases: ReadonlyMap<string, number>
  /** In a truss no rotation is held: there is none. */
  truss: boolean
}

/** A support as numbers; undefined when its joint is not known or it says nothing (reported). */
export function supportOf(ctx: SupportContext, s: Support, path: string): StructureSupport | undefined {
  const { report } = ctx
  const node = ctx.nodes.get(s.node)
  if (node === undefined) report.error(`${path}.node`, `There is no joint ${s.node}.`)
  if ((s.type === undefined) === (s.restrain === undefined)) {
    report.error(
      s.type ? `${path}.restrain` : `${path}.type`,
      s.type ? 'A support has a "type" or "restrain", not both.' : 'A support needs a "type" or "restrain".',
    )
    return undefined
  }
  const hold = holdOf(ctx, s, path)
  const settlement = settlementOf(ctx, s, hold, path)
  const settles = Object.values(settlement).some((v) => v !== 0)
  const settlementCase = s.settlementCase === undefined ? 0 : (ctx.cases.get(s.settlementCase) ?? -1)
  if (settlementCase < 0)
    report.error(join(path, 'settlementCase'), `There is no load case ${s.settlementCase}.`)
  if (settles && ctx.cases.size === 0)
    report.error(join(path, 'settlement'), 'A settlement belongs to a load case, and there is none.')
  if (ctx.truss) hold.rotation = false
  const angle = optional(ctx, s.angle, D.angle, `${path}.angle`, 0)
  return node === undefined ? undefined : { node, hold, angle, settlement, settlementCase }
}

/** What a support does in each direction of its own axes. */
function holdOf(ctx: Reading, s: Support, path: string): Record<Component, Hold> {
  const hold: Record<Component, Hold> = s.type
    ? { ...SUPPORT_KINDS[s.type] }
    : { x: false, y: false, rotation: false }
  for (const c of ['x', 'y', 'rotation'] as const) {
    const raw = s.restrain?.[c]
    if (raw === undefined || raw === 'free') continue
    if (raw === 'fixed') hold[c] = true
    else {
      const k = value(ctx, raw, c === 'rotation' ? D.moment : D.forcePerLength, `${path}.restrain.${c}`)
      if (k <= 0)
        ctx.report.error(`${path}.restrain.${c}`, 'The stiffness of a spring must be greater than zero.')
      hold[c] = k
    }
  }
  return hold
}

/** The displacements prescribed at a support, m and rad, in its own axes. */
function settlementOf(
  ctx: Reading,
  s: Support,
  hold: Record<Component, Hold>,
  path: string,
): Record<Component, number> {
  const settlement: Record<Component, number> = { x: 0, y: 0, rotation: 0 }
  for (const c of ['x', 'y', 'rotation'] as const) {
    const raw = s.settlement?.[c]
    if (raw === undefined) continue
    settlement[c] = value(ctx, raw, c === 'rotation' ? D.angle : D.length, `${path}.settlement.${c}`)
    if (hold[c] !== true)
      ctx.report.error(
        `${path}.settlement.${c}`,
        `${s.node} is not fixed in this direction, so nothing can be prescribed there.`,
      )
  }
  return settlement
}
