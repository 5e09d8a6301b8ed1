import { checkAnswers, displayOf, work } from '@viga/core'
import { miniScene } from '@viga/drawing/card-figure'
import type { Group } from '@viga/drawing/marks'
import { drawnLoads } from '@viga/drawing/words'
import type { StoredProblem } from './problems.server'

export const CARD = { width: 220, height: 152 }

/** A structure larger than this is drawn on the Shelf without being solved. */
const SOLVED_ON_SHELF = 400

export interface Card {
  id: string
  title: string
  statement: string
  kind: 'beam' | 'frame' | 'truss'
  drawing: Group[]
  status: { text: string; bad: boolean; signs: ('=' | '±' | '≠')[] }
}

/** What a card of the Shelf shows, and no more. */
export function cardOf({ id, problem }: StoredProblem): Card {
  const outcome = problem.members.length > SOLVED_ON_SHELF ? undefined : work(problem)
  const structure = outcome && outcome.stage !== 'invalid' ? outcome.structure : undefined
  const display = displayOf(problem)
  const first = problem.loadCases?.find((c) => c.loads.length > 0)?.id
  const level =
    structure !== undefined && structure.nodes.every((n) => Math.abs(n.y - structure.nodes[0].y) < 1e-9)
  return {
    id,
    title: problem.title,
    statement: problem.statement ?? '',
    kind: problem.kind === 'truss' ? 'truss' : level && problem.members.length > 0 ? 'beam' : 'frame',
    drawing: structure
      ? miniScene(
          structure,
          first === undefined ? [] : drawnLoads(structure, new Set([first]), display),
          CARD.width,
          CARD.height,
        )
      : [],
    status: statusOf(problem, outcome),
  }
}

function statusOf(
  problem: StoredProblem['problem'],
  outcome: ReturnType<typeof work> | undefined,
): Card['status'] {
  if (problem.nodes.length === 0) return { text: 'empty sheet', bad: false, signs: [] }
  if (!outcome) return { text: `${problem.members.length} members`, bad: false, signs: [] }
  if (outcome.stage === 'invalid') return { text: 'needs a look', bad: true, signs: [] }
  if (outcome.stage === 'unsolved') {
    const { kind, nodes = [] } = outcome.error
    return {
      text:
        kind === 'mechanism'
          ? `not stable${nodes.length ? `: ${nodes.slice(0, 3).join(', ')}${nodes.length > 3 ? ' …' : ''} can move` : ''}`
          : kind === 'missing'
            ? 'something is missing'
            : 'not solved yet',
      bad: kind === 'mechanism',
      signs: [],
    }
  }
  const verdicts = checkAnswers(problem, outcome.solution)
  if (verdicts.length === 0) return { text: 'solved', bad: false, signs: [] }
  const agree = verdicts.filter((v) => v.verdict === 'agrees').length
  return {
    text: `${agree} of ${verdicts.length} agree`,
    bad: false,
    signs: verdicts.map((v) =>
      v.verdict === 'agrees' ? '=' : v.diagnosis?.kind === 'opposite-sign' ? '±' : '≠',
    ),
  }
}
