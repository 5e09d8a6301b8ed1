import type { ActionSolution, ProblemUnits, Solution } from '@viga/core'

export interface StepProps {
  solution: Solution
  action: ActionSolution
  units: ProblemUnits
}
