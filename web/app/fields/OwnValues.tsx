import { determinacy, ownSections } from '@viga/core'
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
  if (!solved || own.length === 0) return null
  const { structure, dofs } = solved.solution
  const forces = determinacy(structure, dofs).degree > 0
  return (
    <p className="own-values" role="note">
      A and I of the section “{own[0]}” are Viga’s own: displacements
      {forces ? ', and in this indeterminate structure the forces too,' : ''} hang on them. State yours under
      Given.
    </p>
  )
}
