import { useId, useState } from 'react'
import { Line } from '../widgets/Line'
import { useSheet, useSheetStore } from '../sheet/context'
import { draftKey } from '../sheet/drafts'
import { FieldSentence, useRepairKey } from './FieldSentence'
import { useThing } from './of-thing'
import './fields.css'

interface Props {
  /** What the field is, for assistive technology and for its draft: "value of w". */
  name: string
  /** What is stated, as a person would write it. */
  value: string
  /** Takes the text with each key; returns why it was refused. */
  onChange: (text: string, merge: string) => string | null
  placeholder?: string
  /** No part of the statement: what cannot be read concerns nothing but its own place. */
  aside?: boolean
}

/**
 * A text that is read as a whole, such as the value of a symbol or `18.2 kN up`. It acts with each key; what
 * cannot be read stays in the field as a draft of the sheet, with its sentence, and is in the list of doubts
 * until it is mended.
 */
export function LiveField({ name, value, onChange, placeholder, aside }: Props) {
  const store = useSheetStore()
  const key = draftKey(name, useThing())
  const draft = useSheet((s) => s.drafts[key])
  const [session, setSession] = useState(0)
  const messageId = useId()
  const refusal = draft?.message ?? null
  const put = (d: { text: string; message?: string; field?: string } | null) => store.getState().draft(key, d)
  const change = (text: string) => {
    const message = onChange(text.trim(), `${name} ${session}`)
    put(message === null ? { text } : { text, message, ...(aside ? {} : { field: name }) })
  }
  const mend = refusal === null ? undefined : { text: draft?.text ?? value, take: change }
  const repair = useRepairKey()
  return (
    <span className={`qf${refusal ? ' wrong' : ''}`}>
      <Line
        value={draft?.text ?? value}
        aria-label={name}
        aria-invalid={refusal !== null}
        typing={refusal === null ? undefined : () => put(null)}
        aria-describedby={refusal ? messageId : undefined}
        placeholder={placeholder}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => change(e.target.value)}
        onFocus={(e) => {
          setSession((n) => n + 1)
          e.target.select()
        }}
        onBlur={() => {
          if (draft && (refusal === null || draft.text.trim() === '')) put(null)
        }}
        onKeyDown={(e) => {
          if (repair(e, mend)) return
          if (e.key !== 'Escape' || draft === undefined) return
          e.stopPropagation()
          put(null)
        }}
      />
      {refusal && (
        <FieldSentence id={messageId} aloud mend={mend}>
          {refusal}
        </FieldSentence>
      )}
    </span>
  )
}
