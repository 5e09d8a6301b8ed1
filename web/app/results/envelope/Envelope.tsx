import LinearProgress from '@mui/material/LinearProgress'
import type { ResultTable } from '@viga/core'
import { useEffect, useMemo } from 'react'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Tick } from '../../widgets/Tick'
import { actionsOf, useSigns, type Solved } from '../solved'
import { WideBlock } from '../WideBlock'
import { ResultTableView } from '../tables/ResultTableView'
import { chosenOf, tablesAsked } from './ask'
import { useEnvelope } from './use-envelope'

/** The largest and smallest values over chosen cases and combinations, with the case that governs each. */
export default function Envelope({ solution }: Solved) {
  const store = useSheetStore()
  const display = useDisplay()
  const signs = useSigns()
  const chosen = useSheet((s) => s.enveloped)
  const all = actionsOf(solution)
  // the Figure goes along: it draws the envelope while this view is open
  useEffect(() => {
    const { reactions, diagram, all } = store.getState().shown.results
    const show = store.getState().show
    // reactions of one case beside the envelope of many would belong to neither
    show('results', {
      envelope: true,
      reactions: false,
      all: false,
      deflected: false,
      diagram: diagram ?? 'M',
    })
    return () => show('results', { envelope: false, reactions, all })
  }, [store])
  const actions = useMemo(() => chosenOf(solution, chosen), [solution, chosen])
  const ask = useMemo(() => tablesAsked(display, signs), [display, signs])
  const tables = useEnvelope('tables', solution, actions, ask)
  const toggle = (id: string) => {
    const now = chosen ?? all.map((a) => a.id)
    const next = now.includes(id) ? now.filter((o) => o !== id) : [...now, id]
    store.setState({ enveloped: next.length === all.length ? null : next })
  }
  return (
    <>
      <Block title="Over">
        <div className="envelope-of">
          {all.map((a) => (
            <label key={a.id}>
              <Tick
                checked={chosen === null || chosen.includes(a.id)}
                onChange={() => toggle(a.id)}
                aria-label={a.title}
              />{' '}
              {a.title}
            </label>
          ))}
        </div>
      </Block>
      {actions.length === 0 ? (
        <p className="prose">Choose at least one case or combination.</p>
      ) : tables ? (
        <Extremes tables={tables} />
      ) : (
        <LinearProgress aria-label="the envelope is being made" />
      )}
    </>
  )
}

const Extremes = ({ tables: [members, reactions] }: { tables: readonly ResultTable[] }) => (
  <>
    <WideBlock title="Members">
      <ResultTableView table={members} />
    </WideBlock>
    <WideBlock title="Reactions">
      <ResultTableView table={reactions} />
    </WideBlock>
  </>
)
