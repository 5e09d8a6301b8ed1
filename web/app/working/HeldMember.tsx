import type { working } from '@viga/core'
import { useMemo } from 'react'
import { endForcesOf, heldMember } from '@viga/drawing/fixed-end-figure'
import { SceneView } from '../figure/SceneView'
import { useWorkingView } from './working-view'

const NOTHING_LIT: ReadonlySet<string> = new Set()

/** The member held at both ends, as it is drawn beside its fixed-end forces. */
export function HeldMember({ block }: { block: working.DrawingBlock }) {
  const { ledger, reading } = useWorkingView()
  const { structure, display } = ledger.context
  const drawn = useMemo(
    () =>
      heldMember(
        structure,
        block.member,
        ledger.context.acting.factors,
        display,
        endForcesOf(ledger, block, reading),
      ),
    [structure, block, ledger, display, reading],
  )
  return (
    <svg
      className="held-member"
      viewBox={`0 ${drawn.top} ${drawn.width} ${drawn.height}`}
      style={{ maxWidth: drawn.width }}
      role="img"
      aria-label={
        `${structure.members[block.member].id} held at both ends, with its loads and ` + 'fixed-end forces'
      }
    >
      <SceneView groups={drawn.groups} labels={drawn.labels} lit={NOTHING_LIT} />
    </svg>
  )
}
