import type { Explanation, Outcome, Problem } from '@viga/core'
import type { View } from '@viga/drawing/view'
import type { Overlay } from '../figure/Figure'
import { structureOf } from '../sheet/context'
import { handDiagrams } from './by-hand'
import { checkNotes } from './notes'
import { verdictsOf } from './verdicts'

/** The hand values of a case with their verdicts, and the diagrams drawn by hand, for the Figure. */
export function checkOverlay(
  problem: Problem,
  outcome: Outcome,
  caseId: string | null,
  explanation?: Explanation,
): Overlay {
  const structure = structureOf(outcome)
  const byHand = structure && handDiagrams(problem, structure, caseId)
  if (outcome.stage !== 'solved') return { byHand }
  const judged = verdictsOf(problem, outcome, explanation)
  const notesOn = (view: View) => checkNotes(problem, outcome.solution.structure, judged, caseId, view)
  return { notesOn, byHand }
}
