import { useRef, type KeyboardEvent } from 'react'

type Field = HTMLInputElement | HTMLTextAreaElement

/** What a field does that holds a text which is no part of the problem. */
export interface Typing {
  /** The text as it is shown. */
  text: string
  /** Gives back what stood here before anything was typed; without it the first step is the last undone. */
  giveUp?: () => void
}

type Kind = 'insert' | 'delete'

interface Steps {
  past: string[]
  future: string[]
  /** The text that they lead to. */
  now: string
  /** Of the newest step. */
  kind: Kind
}

/** Types a text into a field as a person would: what listens to the field hears of it. */
export function typeInto(field: Field, text: string) {
  const own = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement
  Object.getOwnPropertyDescriptor(own.prototype, 'value')?.set?.call(field, text)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}

const isUndo = (e: KeyboardEvent) =>
  (e.ctrlKey || e.metaKey) && !e.altKey && !e.shiftKey && e.key.toLowerCase() === 'z'

const isRedo = (e: KeyboardEvent) =>
  (e.ctrlKey || e.metaKey) &&
  !e.altKey &&
  (e.shiftKey ? e.key.toLowerCase() === 'z' : e.key.toLowerCase() === 'y')

/**
 * Undo in an empty field of a row that is being typed: what was typed last before it is taken back, and typed
 * on there.
 */
export function undoInRow(e: KeyboardEvent<HTMLElement>) {
  if (!isUndo(e)) return
  const fields = [...e.currentTarget.querySelectorAll<HTMLInputElement>('input')]
  const here = fields.indexOf(e.target as HTMLInputElement)
  const before = fields.filter((f, i) => i !== here && f.matches('[data-typing]'))
  const last = before.filter((f) => fields.indexOf(f) < here).at(-1) ?? before.at(-1)
  if (!last) return
  e.preventDefault()
  e.stopPropagation()
  last.focus()
  typeInto(last, '')
}

/** A step ends with a word, and where typing turns into taking out. */
const endsStep = (kind: Kind, last: Kind, before: string) => kind !== last || /\s$/.test(before)

/**
 * Undo and redo of what is typed into one field, for as long as its text is no part of the problem. The
 * browser keeps one list for all fields of a page, loses it with a field that goes, and has none for a text
 * that was kept over a reload.
 * @param typing absent while each key acts on the problem, whose own undo then serves
 */
export function useTypedSteps(typing: Typing | undefined) {
  const steps = useRef<Steps>({ past: [], future: [], now: '', kind: 'insert' })
  /** Forgets the steps of a text that something else has put in the place of. */
  const current = (text: string) => {
    if (steps.current.now !== text) steps.current = { past: [], future: [], now: text, kind: 'insert' }
    return steps.current
  }
  const typed = (before: string, after: string) => {
    const s = current(before)
    const kind = after.length < before.length && before.startsWith(after) ? 'delete' : 'insert'
    const begins = s.past.length === 0 || endsStep(kind, s.kind, before)
    steps.current = { past: begins ? [...s.past, before] : s.past, future: [], now: after, kind }
  }
  const put = (field: Field, text: string) => {
    const { past, future } = steps.current
    typeInto(field, text)
    // the text that was put is no new step
    steps.current = { past, future, now: text, kind: 'insert' }
  }
  const undo = (field: Field) => {
    if (!typing) return false
    const s = current(typing.text)
    const before = s.past.pop()
    if (before !== undefined) {
      s.future.push(typing.text)
      put(field, before)
      return true
    }
    typing.giveUp?.()
    return typing.giveUp !== undefined
  }
  const redo = (field: Field) => {
    const s = current(field.value)
    const next = s.future.pop()
    if (next === undefined) return false
    s.past.push(field.value)
    put(field, next)
    return true
  }
  const onKeyDown = (e: KeyboardEvent<Field>) => {
    if (!isUndo(e) && !isRedo(e)) return
    if (!(isUndo(e) ? undo : redo)(e.currentTarget)) {
      // the key goes on to the page: what it undoes there comes back first, and what was typed is behind it
      if (isUndo(e)) steps.current = { past: [], future: [], now: e.currentTarget.value, kind: 'insert' }
      return
    }
    e.preventDefault()
    e.stopPropagation()
  }
  return { typed, onKeyDown }
}
