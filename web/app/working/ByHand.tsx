import { edit, working } from '@viga/core'
import { OneOf } from '../widgets/Tick'
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
      <div className="numbering by-hand" role="radiogroup" aria-label="By hand">
        <span className="quiet">By hand: </span>
        {working.BY_HAND_WAYS.map(([key, label]) => (
          <label key={key} className="choice">
            <OneOf
              name="by-hand"
              checked={way === key}
              onChange={() =>
                apply('solve by hand', (q) => edit.setView(q, 'byHand', key === 'gauss' ? undefined : key))
              }
            />{' '}
            {label}
          </label>
        ))}
      </div>
      {way === 'gauss' ? <EliminationView {...of} /> : <Blocks blocks={blocks} />}
    </>
  )
}
