import { useSheet } from '../sheet/context'
import { DisplacementsBlock, EquilibriumBlock, ReactionsBlock } from './blocks'
import { MembersBlock, TrussBlock } from './MembersBlock'
import { Reading } from './Reading'
import type { Solved } from './solved'
import { ZeroForceBlock } from './ZeroForceBlock'

/** Everything at one look: reactions, equilibrium, internal forces, values at any place, displacements. */
export function Overview(solved: Solved) {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  return (
    <>
      <ReactionsBlock {...solved} />
      <EquilibriumBlock {...solved} />
      {truss ? <TrussBlock {...solved} /> : <MembersBlock {...solved} />}
      {truss && <ZeroForceBlock {...solved} />}
      <Reading {...solved} />
      <DisplacementsBlock {...solved} />
    </>
  )
}
