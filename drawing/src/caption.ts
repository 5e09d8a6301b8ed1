import type { Display, Problem } from '@viga/core'
import type { Layers } from './scene'

/** The part of the Sheet that the Figure stands beside. */
export type Part = 'given' | 'working' | 'results' | 'check'

/** One sentence under the figure on what is drawn, in which unit and with which sign. */
export function caption(
  problem: Problem,
  part: Part,
  shown: Layers,
  display: Display,
  enlarged: number,
  actionId: string | null,
  map = false,
): { text: string } {
  const parts: string[] = []
  const truss = problem.kind === 'truss'
  if (shown.diagram === 'M') parts.push(`Bending moments, ${display.moment.unit}, on the side in tension`)
  if (shown.diagram === 'V') parts.push(`Shear, ${display.force.unit}, positive up on the left part`)
  if (shown.diagram === 'N')
    parts.push(
      truss
        ? `Axial forces, ${display.force.unit}: a solid line pulls (T), a hollow one pushes (C), a ` +
            'dotted one rests'
        : `Axial forces, ${display.force.unit}, T tension, C compression`,
    )
  if (shown.deflected && enlarged > 0)
    parts.push(
      `Deflected shape, ${enlarged >= 1 ? `${Math.round(enlarged)} times enlarged` : `drawn at ${enlarged}`}`,
    )
  if (shown.unknowns) parts.push('The unknowns: circles are free, squares held')
  if (shown.reactions && part !== 'given')
    parts.push(`Reactions, ${display.force.unit}${truss ? '' : ` and ${display.moment.unit}`}`)
  if (parts.length === 0) parts.push(problem.title)
  const of =
    (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1 && actionId !== null
      ? ` ${caseWords(problem, actionId)}`
      : ''
  const own =
    part === 'given' && problem.members.some((m) => m.section === 'default')
      ? ' A and I are Viga’s own, for want of others.'
      : ''
  const small = map ? ' Too small for words: enlarge it, and they come.' : ''
  return { text: `${parts.join('. ')}.${of}${own}${small}` }
}

function caseWords(problem: Problem, id: string): string {
  const found = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].find((c) => c.id === id)
  return found ? `${found.title && found.title !== id ? `${id}: ${found.title}` : id}.` : ''
}
