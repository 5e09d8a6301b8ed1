import { criticalInput, lowestFactor, modeOf, modeSolution, work, formatNumber } from '@viga/core'
import { useEffect } from 'react'
import { useSheet, useSheetStore } from '../../sheet/context'
import { SOLVED_AT_ONCE } from '../../sheet/store'

/** A structure that buckles under its loads has no numbers: the shape it would take is drawn, moving. */
export default function Buckled() {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const buckles = useSheet((s) => s.outcome.stage === 'unsolved' && s.outcome.error.kind === 'buckled')
  useEffect(() => {
    if (!buckles || problem.members.length > SOLVED_AT_ONCE) return
    const plain = work({ ...problem, analysis: { ...problem.analysis, order: 1 } })
    if (plain.stage !== 'solved') return
    const { solution } = plain
    const all = [...solution.cases, ...solution.combinations]
    for (const action of all) {
      const factor = lowestFactor(solution, action)
      if (factor === null || factor > 1) continue
      const input = criticalInput(solution, action)
      const mode = input && modeOf(input, factor)
      if (!mode) continue
      store.setState({
        swinging: true,
        drawn: {
          solution: modeSolution(solution, mode),
          action: mode,
          layers: { deflected: true, diagram: null, reactions: false },
          caption:
            `${action.title}: the shape in which the structure buckles at ${formatNumber(factor)} ` +
            'times these loads.',
        },
      })
      break
    }
    return () => store.setState({ drawn: null, swinging: false })
  }, [store, buckles, problem])
  return null
}
