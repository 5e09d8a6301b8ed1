import { ownValues, signsOf, type Display, type Problem } from '@viga/core'
import { casesShown } from './cases-shown'
import { constantRigidity } from './letters'
import type { DiagramKey } from './diagram-side'
import type { Layers, Scene } from './scene'
import { isOwnWeight } from './stated-values'

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
  drawn?: Pick<Scene, 'map' | 'labels'>,
): { text: string } {
  const parts: string[] = []
  const truss = problem.kind === 'truss'
  if (shown.diagram) parts.push(diagramWords(problem, shown, shown.diagram, display))
  if (shown.deflected && enlarged > 0)
    parts.push(
      `Deflected shape, ${enlarged >= 1 ? `${Math.round(enlarged)} times enlarged` : `drawn at ${enlarged}`}`,
    )
  if (shown.unknowns) parts.push('The unknowns: circles are free, squares held')
  if (shown.reactions && part !== 'given')
    parts.push(`Reactions, ${display.force.unit}${truss ? '' : ` and ${display.moment.unit}`}`)
  if (parts.length === 0) parts.push(problem.title)
  const of =
    (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1 &&
    actionId !== null &&
    !(shown.envelope && shown.diagram)
      ? ` ${caseWords(problem, actionId)}${part === 'given' ? '' : factored(problem, actionId)}`
      : ''
  const letters = part === 'given' ? ownValues(problem) : undefined
  const rigidity = part === 'given' ? constantRigidity(problem) : undefined
  const constant = rigidity ? ` ${rigidity}.` : ''
  const own = letters ? ` ${letters} ${letters === 'A and I' ? 'are' : 'is'} assumed by Viga.` : ''
  const weight = drawn?.labels.some(isOwnWeight) ? ` g is own weight, ${display.distributed.unit}.` : ''
  const small = drawn?.map ? ' Too small for words: enlarge it, and they come.' : ''
  return { text: `${parts.join('. ')}.${of}${constant}${weight}${own}${small}` }
}

/** What a diagram shows, in which unit, and on which side or with which sign. */
function diagramWords(problem: Problem, shown: Layers, key: DiagramKey, display: Display): string {
  const { momentSide, shear } = signsOf(problem)
  const side = `on the side in ${momentSide}`
  const way = `positive ${shear === 'left-up' ? 'up' : 'down'} on the left part`
  const [force, moment] = [display.force.unit, display.moment.unit]
  if (problem.kind === 'truss')
    return `Axial forces, ${force}; solid: tension (T); hollow: compression (C); dotted: no force`
  if (shown.all) return `Axial force and shear, ${force}, shear ${way}; bending moments, ${moment}, ${side}`
  const words = {
    M: `ending moments, ${moment}, ${side}`,
    V: `hear, ${force}, ${way}`,
    N: `xial forces, ${force}, T tension, C compression`,
  }[key]
  const [capital, small] = { M: ['B', 'b'], V: ['S', 's'], N: ['A', 'a'] }[key]
  return shown.envelope
    ? `Envelope of ${small}${words}; the largest solid, the smallest dashed, each with the case that governs`
    : `${capital}${words}`
}

/** Says that the loads of a combination are drawn with its factors, where one of them is not 1. */
const factored = (problem: Problem, id: string): string =>
  [...casesShown(problem, id).values()].some((factor) => factor !== 1) ? ' Loads times their factors.' : ''

function caseWords(problem: Problem, id: string): string {
  const found = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].find((c) => c.id === id)
  return found ? `${found.title && found.title !== id ? `${id}: ${found.title}` : id}.` : ''
}
