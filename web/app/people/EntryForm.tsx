import { createContext, use, useId, useState, type ComponentPropsWithoutRef, type ReactNode } from 'react'
import { useFetcher } from 'react-router'
import type { ObjectSchema } from 'yup'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { readForm, type Faults } from './forms'
import './people.css'

const FaultsContext = createContext<Faults>({})

/** What an action about people answers. */
export type FormAnswer = { ok: true; said?: string } | { ok: false; faults: Faults }

interface Props {
  /** What the form does, as the action knows it. */
  intent: string
  schema: ObjectSchema<object>
  /** The words on what sends it. */
  send: string
  children: ReactNode
  /** Further things that can be done beside. */
  beside?: ReactNode
}

/**
 * A form whose fields are checked here before they are sent; what the server finds stands at its field, too.
 */
export function EntryForm({ intent, schema, send, children, beside }: Props) {
  const fetcher = useFetcher<FormAnswer>()
  const [here, setHere] = useState<Faults | null>(null)
  const answer = fetcher.data
  const faults = here ?? (answer && !answer.ok ? answer.faults : {})
  return (
    <fetcher.Form
      method="post"
      className="entry-form"
      noValidate
      onSubmit={(e) => {
        const read = readForm(schema, Object.fromEntries(new FormData(e.currentTarget)))
        setHere(read.ok ? null : read.faults)
        if (!read.ok) e.preventDefault()
      }}
    >
      <input type="hidden" name="intent" value={intent} />
      <FaultsContext value={faults}>{children}</FaultsContext>
      <div className="entry-send">
        <Press type="submit" className="entry-button" disabled={fetcher.state !== 'idle'}>
          {send}
        </Press>
        {beside}
        {answer?.ok && answer.said && (
          <span className="quiet" role="status">
            {answer.said}
          </span>
        )}
      </div>
    </fetcher.Form>
  )
}

/** One field of a form, with its name over it and what is wrong with it below. */
export function EntryField({
  label,
  name,
  hint,
  ...rest
}: { label: string; name: string; hint?: string } & ComponentPropsWithoutRef<'input'>) {
  const id = useId()
  const message = use(FaultsContext)[name]
  const told = [hint && `${id}-hint`, message && `${id}-fault`].filter(Boolean).join(' ')
  return (
    <div className="entry-field">
      <label htmlFor={id}>{label}</label>
      <Line
        id={id}
        name={name}
        aria-invalid={message ? true : undefined}
        aria-describedby={told || undefined}
        {...rest}
      />
      {hint && (
        <p id={`${id}-hint`} className="quiet">
          {hint}
        </p>
      )}
      {message && (
        <p id={`${id}-fault`} className="pencil" role="alert">
          {message}
        </p>
      )}
    </div>
  )
}
