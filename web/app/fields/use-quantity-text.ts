import { edit, makeReader, shownAngle, typedAngle, type Quantity } from '@viga/core'
import { useCallback, useMemo, useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { draftKey } from '../sheet/drafts'
import { useThing } from './of-thing'
import type { QuantityFieldProps } from './QuantityField'
import { PERCENT, understoodOf } from './understood'

type Asked = Pick<QuantityFieldProps, 'dimension' | 'percent' | 'direction' | 'unit'>

/** How a text of a field is read and written, and what it was understood as. */
function useReading({ dimension, percent, direction, unit }: Asked, text: string) {
  const units = useSheet((s) => s.problem.units)
  const symbols = useSheet((s) => s.problem.symbols)
  const reader = useMemo(() => makeReader(units, symbols).reader, [units, symbols])
  const written = useCallback(
    (t: string): Quantity => (direction ? typedAngle(t, reader) : edit.typed(t)),
    [direction, reader],
  )
  const read = (t: string) => (percent && PERCENT.test(t) ? null : reader.read(written(t), dimension))
  const understood = useMemo(
    () =>
      understoodOf(text, (t) => reader.read(written(t), dimension), {
        dimension,
        units,
        symbols,
        unit,
        percent,
      }),
    [text, reader, written, dimension, units, symbols, unit, percent],
  )
  return { read, written, understood }
}

/**
 * The text of a quantity's field between the document and the hand: a readable text takes effect at once, an
 * unreadable one is kept as a draft with its sentence.
 * @param focused whether the field has the focus: a sentence about what is being typed waits until it is left
 */
export function useQuantityText(props: QuantityFieldProps, focused: boolean) {
  const { name, value, direction, onChange, onClear } = props
  const store = useSheetStore()
  const key = draftKey(name, useThing())
  const kept = useSheet((s) => s.drafts[key])
  const draft = kept?.text
  const keep = (d: Parameters<ReturnType<typeof store.getState>['draft']>[1]) =>
    store.getState().draft(key, d)
  const [refusal, setRefusal] = useState<string | null>(null)
  const [session, setSession] = useState(0)
  const shownAs = (q: Quantity) => (direction ? shownAngle(q) : String(q))
  const stated = value === undefined ? '' : shownAs(value)
  const text = draft ?? stated
  const { read, written, understood } = useReading(props, text)

  const change = (t: string) => {
    if (t.trim() === '') {
      setRefusal(null)
      keep(onClear ? null : { text: '' })
      onClear?.()
      return
    }
    const r = read(t)
    const problem = r && !r.ok ? r.message : onChange(written(t), `${name} ${session}`)
    const message = problem === null ? null : typeof problem === 'string' ? problem : problem.message
    setRefusal(message)
    // spaces stay while they are typed; on leaving, a readable text is the document's own
    if (message !== null) keep({ text: t, message, field: name })
    else keep(shownAs(written(t)) === t ? null : { text: t })
  }
  const leave = () => {
    if (refusal === null && draft !== undefined && draft.trim() !== '') keep(null)
    if (draft === '' && stated !== '') {
      keep(null)
      setRefusal(null)
    }
  }
  /** Gives back the stated text; false where nothing was typed. */
  const giveUp = () => {
    if (draft === undefined) return false
    keep(null)
    setRefusal(null)
    return true
  }
  const typed = draft !== undefined && draft.trim() !== '' && !focused ? read(draft) : null
  return {
    text,
    understood,
    wrong: refusal ?? (typed && !typed.ok ? typed.message : null),
    unread: kept?.message !== undefined,
    change,
    begin: () => setSession((n) => n + 1),
    leave,
    giveUp,
  }
}
