import { displayOf, judgeSheet, scoreOf, work, type Outcome, type Problem } from '@viga/core'
import { miniScene } from '@viga/drawing/card-figure'
import { PAGE_INKS } from '@viga/drawing/inks'
import { groupsSvg } from '@viga/drawing/svg'
import { drawnLoads } from '@viga/drawing/words'

export const CARD = { width: 220, height: 152 }

/** A structure with more members than this is not solved for its card, and neither drawn nor judged there. */
const MOST_MEMBERS = 400
/** Neither is one with more results than this: members times cases, combinations and answers. */
const MOST_RESULTS = 40_000

export type CardKind = 'beam' | 'frame' | 'truss'

/** What a card of the Shelf shows of a problem besides its title. */
export interface CardContent {
  statement: string
  /** Marks as SVG, of the size that `CARD` says, in the inks of the page. */
  drawing: string
  status: { text: string; bad: boolean; signs: ('=' | '±' | '≠' | '→' | '?')[] }
}

export interface Card extends CardContent {
  id: string
  title: string
}

/** What the Shelf is searched by: title and statement in lower case. */
export const wordsOf = ({ title, statement = '' }: Problem): string =>
  `${title} ${statement}`.toLowerCase().slice(0, 20_000)

/**
 * The kind of a problem, as the Shelf parts them: a beam is a frame all of whose joints are on one level.
 * Known without working out a quantity, as it is needed at every save: levels are the same where they are
 * written so.
 */
export const kindOf = ({ kind, members, nodes }: Problem): CardKind =>
  kind === 'truss' ? 'truss' : members.length > 0 && nodes.every((n) => n.y === nodes[0].y) ? 'beam' : 'frame'

/** The card of a problem: drawn, solved and its hand values judged. */
export function cardOf(problem: Problem): CardContent {
  const outcome = isSmall(problem) ? work(problem) : undefined
  const structure = outcome && outcome.stage !== 'invalid' ? outcome.structure : undefined
  const display = displayOf(problem)
  const first = problem.loadCases?.find((c) => c.loads.length > 0)?.id
  return {
    statement: problem.statement ?? '',
    drawing: structure
      ? groupsSvg(
          miniScene(
            structure,
            first === undefined ? [] : drawnLoads(structure, new Set([first]), display),
            CARD.width,
            CARD.height,
          ),
          PAGE_INKS,
        )
      : '',
    status: statusOf(problem, outcome),
  }
}

function statusOf(problem: Problem, outcome: Outcome | undefined): Card['status'] {
  if (problem.nodes.length === 0) return { text: 'empty sheet', bad: false, signs: [] }
  if (!outcome) return { text: `${problem.members.length} members`, bad: false, signs: [] }
  if (outcome.stage === 'invalid') return { text: 'needs a look', bad: true, signs: [] }
  if (outcome.stage === 'unsolved') {
    const { kind, nodes = [] } = outcome.error
    const some = `${nodes.slice(0, 3).join(', ')}${nodes.length > 3 ? ' …' : ''}`
    return {
      text:
        kind === 'mechanism'
          ? `not stable${nodes.length ? `: ${some} can move` : ''}`
          : kind === 'missing'
            ? 'something is missing'
            : 'not solved yet',
      bad: kind === 'mechanism',
      signs: [],
    }
  }
  const verdicts = judgeSheet(problem, outcome.solution)
  if (verdicts.length === 0) return { text: 'solved', bad: false, signs: [] }
  const { agree } = scoreOf(verdicts)
  return {
    text: `${agree} of ${verdicts.length} agree`,
    bad: false,
    signs: verdicts.map((v) => VERDICT_SIGNS[v.verdict]),
  }
}

const VERDICT_SIGNS = { agrees: '=', convention: '±', differs: '≠', follows: '→', unknown: '?' } as const

const isSmall = ({ members, loadCases = [], combinations = [], answers = [] }: Problem): boolean =>
  members.length <= MOST_MEMBERS &&
  members.length * (loadCases.length + combinations.length + answers.length) <= MOST_RESULTS
