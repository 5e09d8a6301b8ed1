import { edit, working } from '@viga/core'
import { Choice } from '../widgets/Choice'
import { useSheet, useEdit } from '../sheet/context'
import { Blocks } from './Blocks'
import { EliminationView } from './EliminationView'
import type { StepProps } from './step'

/**
 * The equations solved by hand, in the way that is chosen: row by row, one pivot at a time, or taken apart.
 */
export function ByHand({ blocks, ...of }: StepProps & { blocks: readonly working.Block[] }) {
  const apply = useEdit()
  const way = useSheet((s) => working.byHandOf(s.problem))
  return (
    <>
      <Choice
        className="numbering by-hand"
        label="By hand"
        lead="By hand:"
        options={working.BY_HAND_WAYS}
        value={way}
        onChange={(key) =>
          apply('solve by hand', (q) => edit.setView(q, 'byHand', key === 'gauss' ? undefined : key))
        }
      />
      {way === 'gauss' ? <EliminationView {...of} /> : <Blocks blocks={blocks} />}
    </>
  )
}
