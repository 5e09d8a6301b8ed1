import { working } from '@viga/core'
import { beginning } from './gradual'
import { lineOf } from './line'

/**
 * The parts of a step in the order of the page: what it says of all, of the one member that is read, and of
 * all again.
 */
export interface Page {
  before: readonly working.Passage[]
  ofOne?: working.Passage
  after: readonly working.Passage[]
  /** The members it speaks of, by index. */
  members: readonly number[]
}

/**
 * What a step shows when a member has been chosen; where it does not speak of that one, of the first it does.
 */
export function pageOf(step: working.Step, chosen: number): Page {
  const members = step.passages.flatMap((p) => (p.member === undefined ? [] : [p.member]))
  // results are shown before their derivation
  if (members.length === 0)
    return {
      before: [...step.passages.filter((p) => !p.byHand), ...step.passages.filter((p) => p.byHand)],
      after: [],
      members,
    }
  const first = step.passages.findIndex((p) => p.member !== undefined)
  const member = members.includes(chosen) ? chosen : members[0]
  return {
    before: step.passages.slice(0, first),
    ofOne: step.passages.find((p) => p.member === member),
    after: step.passages.filter((p, i) => i > first && p.member === undefined),
    members,
  }
}

export const passagesOf = ({ before, ofOne, after }: Page): working.Passage[] => [
  ...before,
  ...(ofOne ? [ofOne] : []),
  ...after,
]

/**
 * The formulas in the first view of a step, as they will be typeset; made one by one as they are asked for.
 */
export function* firstFormulas(
  ledger: working.Ledger,
  key: string,
  reading: working.Reading,
  chosen: number,
  room: number,
): Generator<string> {
  const step = working.stepOf(ledger, key)
  if (!step) return
  const { members } = ledger.context.structure
  for (const p of beginning(passagesOf(pageOf(step, chosen)), room, ledger).passages)
    for (const b of p.blocks) {
      if (b.kind !== 'lines') continue
      for (const a of b.addresses) {
        const { letters, numbers } = lineOf(
          ledger,
          a,
          p.member === undefined ? undefined : members[p.member].id,
          reading,
        )
        yield letters.tex
        if (numbers) yield numbers.tex
      }
    }
}
