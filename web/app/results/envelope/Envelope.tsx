import { extremesTable, reactionsTable } from '@viga/core'
import { useEffect, useMemo } from 'react'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Tick } from '../../widgets/Tick'
import { actionsOf, useSigns, type Solved } from '../solved'
import { WideBlock } from '../WideBlock'
import { ResultTableView } from '../tables/ResultTableView'

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
  const source = useMemo(() => {
    const every = actionsOf(solution)
    const actions = chosen === null ? every : every.filter((a) => chosen.includes(a.id))
    return { solution, actions, envelope: true, display, signs }
  }, [solution, chosen, display, signs])
  const toggle = (id: string) => {
    const now = chosen ?? all.map((a) => a.id)
    const next = now.includes(id) ? now.filter((o) => o !== id) : [...now, id]
    store.setState({ enveloped: next.length === all.length ? null : next })
  }
  const none = source.actions.length === 0
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
      {none ? (
        <p className="prose">Choose at least one case or combination.</p>
      ) : (
        <>
          <WideBlock title="Members">
            <ResultTableView table={extremesTable(source)} />
          </WideBlock>
          <WideBlock title="Reactions">
            <ResultTableView table={reactionsTable(source)} />
          </WideBlock>
        </>
      )}
    </>
  )
}
