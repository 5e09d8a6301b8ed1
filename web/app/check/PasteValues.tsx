import { edit, type Problem } from '@viga/core'
import { samePlace } from '@viga/core/statement/answer-lists'
import { readAnswers } from '@viga/core/statement/read-answers'
import InputBase from '@mui/material/InputBase'
import { useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import { EXAMPLES } from '../fields/examples'
import { useSheetStore } from '../sheet/context'
import { useTypedSteps } from '../widgets/typed-steps'
import { useNewRow } from '../sheet/new-row'
import type { SheetStore } from '../sheet/store'
import { Frameless } from '../widgets/Frameless'
import { Press } from '../widgets/Press'

interface LeftLine {
  line: string
  message: string
}

/** How many values were taken, how their commas were understood, and the lines that are left. */
interface Taken {
  taken: number
  said?: string
  left: LeftLine[]
}

/**
 * Takes the values out of lines of text into the problem; what is not understood is left, with its reason.
 */
function takeValues(store: SheetStore, text: string): Taken {
  const { problem, actionId, edit: change } = store.getState()
  const read = readAnswers(problem, text, actionId ?? undefined)
  const first = problem.loadCases?.[0]?.id
  const put = (p: Problem) =>
    read.answers.reduce((q, a) => {
      const before = q.answers?.find((o) => samePlace(o, a, first))
      return before ? edit.setAnswer(q, before.id, { value: a.value, sense: a.sense }) : edit.addAnswer(q, a)
    }, p)
  const refusal =
    read.answers.length > 0 ? change(`${read.answers.length} values`, put, { shown: true }) : null
  return refusal
    ? { taken: 0, left: [{ line: text, message: refusal.message }, ...read.left] }
    : { taken: read.answers.length, said: read.said, left: read.left }
}

/**
 * Hand values as lines: typed as they stand on paper, or pasted from a spreadsheet. What is understood goes
 * into the table; what is not stays here, with its reason.
 */
export function PasteValues() {
  const store = useSheetStore()
  const [{ lines }, keep] = useNewRow('lines of values', { lines: '' })
  const [{ taken, said, left }, setTaken] = useState<Taken>({ taken: 0, left: [] })
  const take = (text: string) => {
    const done = takeValues(store, text)
    setTaken(done)
    keep({ lines: done.left.map((l) => l.line).join('\n') })
  }
  return (
    <form
      className="value-lines"
      onSubmit={(e) => {
        e.preventDefault()
        if (lines.trim() !== '') take(lines)
      }}
    >
      <LinesField
        lines={lines}
        onChange={(t) => (keep({ lines: t }), setTaken({ taken, said, left: [] }))}
        onTake={take}
      />
      {lines.trim() !== '' && (
        <Press type="submit" className="plain-button">
          Take them
        </Press>
      )}
      <div role="status">
        {taken > 0 && (
          <p className="quiet">
            {taken === 1 ? 'One value' : `${taken} values`} taken. {said}
          </p>
        )}
        {left.map(({ line, message }, i) => (
          <p key={i} className="pencil">
            <b>{line}</b> {message}
          </p>
        ))}
      </div>
    </form>
  )
}

interface LinesFieldProps {
  lines: string
  onChange: (lines: string) => void
  onTake: (text: string) => void
}

/** Where the lines are typed: Enter takes them, Shift+Enter begins another line. */
function LinesField({ lines, onChange, onTake }: LinesFieldProps) {
  const onPaste = (e: ClipboardEvent) => {
    const text = e.clipboardData.getData('text/plain')
    // several lines are a list from elsewhere and are read at once; a word is typed into what stands here
    if (lines.trim() !== '' || !/[\n\t]/.test(text.trim())) return
    e.preventDefault()
    onTake(text)
  }
  const steps = useTypedSteps(lines === '' ? undefined : { text: lines, giveUp: () => onChange('') })
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    steps.onKeyDown(e)
    if (e.key !== 'Enter' || e.shiftKey) return
    e.preventDefault()
    if (lines.trim() !== '') onTake(lines)
  }
  return (
    <InputBase
      slots={{ root: Frameless }}
      multiline
      minRows={1}
      maxRows={12}
      value={lines}
      placeholder={EXAMPLES.values}
      onChange={(e) => {
        steps.typed(lines, e.target.value)
        onChange(e.target.value)
      }}
      slotProps={{
        input: {
          'aria-label': 'hand values as lines',
          spellCheck: false,
          autoComplete: 'off',
          ...(lines === '' ? {} : { 'data-typing': '' }),
          onPaste,
          onKeyDown,
        },
      }}
    />
  )
}
