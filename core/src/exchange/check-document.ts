import { siPerCoherent } from '../quantity/units.js'
import * as D from '../quantity/dimension.js'
import type { Solved } from '../analysis/solve.js'
import { consistency } from '../checking/consistency.js'
import { explainSheet } from '../checking/explain.js'
import type { PreparedSlips } from '../checking/prepared.js'
import { inUsualSigns, judgedAnswers } from '../checking/judged.js'
import { explainedVerdicts, judgeSheet, scoreOf, turnedAnswers } from '../checking/sheet.js'
import type { Problem } from '../document/types.js'

/**
 * What `viga check` prints: a verdict for each answer, consistency of the hand values, explanations.
 * @param onTried hears how many of all slips have been tried
 * @param slips the slips of the problem, where several hand solutions of it are judged
 */
export function checkDocument(
  problem: Problem,
  solved: Solved,
  onTried?: (done: number, all: number) => void,
  slips?: PreparedSlips,
) {
  const { solution } = solved
  const judged = judgedAnswers(problem, solution)
  const turned = turnedAnswers(problem, solution, judged)
  const explanations = explainSheet(problem, solved, turned, onTried, slips)
  const verdicts = explainedVerdicts(judgeSheet(problem, solution, turned), explanations[0])
  const answers = verdicts.map((v) => ({
    id: v.id,
    given: v.given,
    computed: v.computed,
    apart: v.apart,
    verdict: v.verdict,
    ...(v.from ? { from: v.from } : {}),
    ...(v.reason ? { reason: v.reason } : {}),
    ...(v.verdict === 'differs' && v.diagnosis ? { diagnosis: v.diagnosis } : {}),
  }))
  const per = (d: D.Dimension) => 1 / siPerCoherent(problem.units, d)
  return {
    format: 'viga-check',
    version: 1,
    score: scoreOf(verdicts),
    answers,
    consistency: (solution.structure.order === 2
      ? []
      : consistency(problem, solution, inUsualSigns(judged, turned))
    ).map(({ residual, dimension, ...rest }) => ({
      ...rest,
      residual: residual * per(dimension),
    })),
    explanations,
  }
}
