import type { ActionSolution, ProblemUnits, Solution } from '@viga/core'

export interface StepProps {
  solution: Solution
  action: ActionSolution
  units: ProblemUnits
}

export const componentWords = { x: 'moves along x', y: 'moves along y', rotation: 'turns' } as const
