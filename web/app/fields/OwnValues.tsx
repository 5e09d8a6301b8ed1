import { determinacy, ownSections, ownValues } from '@viga/core'
import { useMemo } from 'react'
import { useSheet, useSolved } from '../sheet/context'

/**
 * Over numbers that depend on an A and I nobody stated: whose they are, and what of the numbers hangs on
 * them.
 */
export function OwnValues() {
  const problem = useSheet((s) => s.problem)
  const solved = useSolved()
  const own = useMemo(() => ownSections(problem), [problem])
  const letters = useMemo(() => ownValues(problem), [problem])
  if (!solved || letters === undefined) return null
  const { structure, dofs } = solved.solution
  const forces = determinacy(structure, dofs).degree > 0
  return (
    <p className="own-values" role="note">
      {letters} of the section “{own[0]}” {letters === 'A and I' ? 'are' : 'is'} assumed by Viga:
      displacements
      {forces ? ', and in this indeterminate structure the forces too,' : ''} depend on{' '}
      {letters === 'A and I' ? 'them' : 'it'}. State yours under Given.
    </p>
  )
}
