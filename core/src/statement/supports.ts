import type { Component, Quantity, Support, SupportType } from '../document/types.js'
import { SUPPORT_KINDS } from '../kinds/supports/types.js'
import { settlementWords } from './settlement.js'

export const TYPES: readonly SupportType[] = ['fixed', 'pin', 'roller', 'guide', 'slider']

export const SUPPORT_WORDS: Record<SupportType, string> = {
  fixed: 'fixed',
  pin: 'pin',
  roller: 'roller',
  guide: 'guide',
  slider: 'slider',
}

const HOLDS: Record<SupportType, string> = {
  fixed: 'x, y, rotation',
  pin: 'x, y',
  roller: 'y',
  guide: 'y, rotation',
  slider: 'x, rotation',
}

/** The symbol that stands for a support, springs and general ones included. */
export function supportKind(s: Support): SupportType | 'spring' {
  if (s.type) return s.type
  const { x, y, rotation } = s.restrain ?? {}
  const fixed = [x, y, rotation].map((v) => v === 'fixed')
  if (fixed[0] && fixed[1]) return fixed[2] ? 'fixed' : 'pin'
  if (fixed[1]) return fixed[2] ? 'guide' : 'roller'
  if (fixed[0] && fixed[2]) return 'slider'
  return 'spring'
}

/** What a support holds, what it springs, what settles. */
export function holdsWords(s: Support): string {
  const parts: string[] = []
  if (s.type) parts.push(HOLDS[s.type])
  else
    for (const c of ['x', 'y', 'rotation'] as const) {
      const v = s.restrain?.[c]
      if (v === 'fixed') parts.push(c)
      else if (v !== undefined && v !== 'free') parts.push(`${c} by ${v}`)
    }
  if (s.settlement)
    parts.push(
      `settlement ${(Object.entries(s.settlement) as [Component, Quantity][])
        .map(([c, v]) => settlementWords(c, v, s.angle !== undefined))
        .join(', ')}`,
    )
  return parts.join('; ')
}

export type HoldChoice = 'fixed' | 'free' | 'spring'

/** "fixed", "free" or the stiffness of a spring, in one direction of a support. */
export const holdOf = (s: Omit<Support, 'node'>, c: Component): Quantity =>
  s.type ? (SUPPORT_KINDS[s.type][c] ? 'fixed' : 'free') : (s.restrain?.[c] ?? 'free')

/**
 * One direction changed; a support that is one of the common types again is called so. A settlement stays
 * only where it is held.
 */
export function withHold(s: Omit<Support, 'node'>, c: Component, hold: Quantity): Omit<Support, 'node'> {
  const all = Object.fromEntries(
    (['x', 'y', 'rotation'] as const).map((k) => [k, k === c ? hold : holdOf(s, k)]),
  ) as Record<Component, Quantity>
  const type = TYPES.find((t) =>
    (['x', 'y', 'rotation'] as const).every((k) => all[k] === (SUPPORT_KINDS[t][k] ? 'fixed' : 'free')),
  )
  const next: Omit<Support, 'node'> = { ...s, ...(type ? { type } : { restrain: all }) }
  delete next[type ? 'restrain' : 'type']
  return hold === 'fixed' ? next : withSettlement(next, c, undefined)
}

export function withSettlement(
  s: Omit<Support, 'node'>,
  c: Component,
  value: Quantity | undefined,
): Omit<Support, 'node'> {
  const settlement = { ...s.settlement, [c]: value }
  if (value === undefined) delete settlement[c]
  const next = { ...s, settlement }
  if (Object.keys(settlement).length > 0) return next
  const bare: Omit<Support, 'node'> = { ...s }
  delete bare.settlement
  delete bare.settlementCase
  return bare
}

/** A support of another type keeps its turn, and its settlement where the new type holds too. */
export function withType(s: Omit<Support, 'node'>, type: SupportType): Omit<Support, 'node'> {
  const next: Omit<Support, 'node'> = { ...s, type }
  delete next.restrain
  return (['x', 'y', 'rotation'] as const)
    .filter((c) => !SUPPORT_KINDS[type][c])
    .reduce((q, c) => withSettlement(q, c, undefined), next)
}
