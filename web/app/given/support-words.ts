import type { Support, SupportType } from '@viga/core'

export const TYPES: readonly SupportType[] = ['fixed', 'pin', 'roller', 'guide', 'slider']

export const SUPPORT_WORDS: Record<SupportType, string> = { fixed: 'fixed', pin: 'pin', roller: 'roller', guide: 'guide', slider: 'slider' }

const HOLDS: Record<SupportType, string> = { fixed: 'x, y, rotation', pin: 'x, y', roller: 'y', guide: 'y, rotation', slider: 'x, rotation' }

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
  if (s.settlement) parts.push(`settles ${Object.entries(s.settlement).map(([c, v]) => `${c} ${v}`).join(', ')}`)
  return parts.join('; ')
}
