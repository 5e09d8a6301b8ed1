import { edit } from '@viga/core'
import { samePlace } from '@viga/core/statement/answer-lists'
import { readAnswers } from '@viga/core/statement/read-answers'
import InputBase from '@mui/material/InputBase'
import { useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { Frameless } from '../widgets/Frameless'
import { Press } from '../widgets/Press'

/**
 * Hand values as lines: typed as they stand on paper, or pasted from a spreadsheet. What is understood goes into
 * the table; what is not stays here, with its reason.
 */
export function PasteValues() {
  const store = useSheetStore()
  const actionId = useSheet((s) => s.actionId)
  const [{ lines }, keep] = useNewRow('lines of values', { lines: '' })
  const [left, setLeft] = useState<{ line: string; message: string }[]>([])
  const [taken, setTaken] = useState(0)
  const take = (text: string) => {
    const { problem, edit: change } = store.getState()
    const read = readAnswers(problem, text, actionId ?? undefined)
    const first = problem.loadCases?.[0]?.id
    const refusal =
      read.answers.length === 0
        ? null
        : change(
            `${read.answers.length} values`,
            (p) =>
              read.answers.reduce((q, a) => {
                const before = q.answers?.find((o) => samePlace(o, a, first))
                return before
                  ? edit.setAnswer(q, before.id, { value: a.value, sense: a.sense })
                  : edit.addAnswer(q, a)
              }, p),
            { shown: true },
          )
    setTaken(refusal ? 0 : read.answers.length)
    const rest = refusal ? [{ line: text, message: refusal.message }, ...read.left] : read.left
    setLeft(rest)
    keep({ lines: rest.map((l) => l.line).join('\n') })
  }
  return (
    <form
      className="value-lines"
      onSubmit={(e) => {
        e.preventDefault()
        if (lines.trim() !== '') take(lines)
      }}
    >
      <InputBase
        slots={{ root: Frameless }}
        multiline
        minRows={1}
        maxRows={12}
        value={lines}
        placeholder="or as lines: Ay = 18.2 kN up   M_BA = -37.5   F_DH = 8.4 C"
        onChange={(e) => {
          keep({ lines: e.target.value })
          setLeft([])
        }}
        slotProps={{
          input: {
            'aria-label': 'hand values as lines',
            spellCheck: false,
            autoComplete: 'off',
            ...(lines === '' ? {} : { 'data-typing': '' }),
            onPaste: (e: ClipboardEvent) => {
              const text = e.clipboardData.getData('text/plain')
              // several lines are a list from elsewhere and are read at once; a word is typed into what stands here
              if (lines.trim() !== '' || !/[\n\t]/.test(text.trim())) return
              e.preventDefault()
              take(text)
            },
            onKeyDown: (e: KeyboardEvent) => {
              if (e.key !== 'Enter' || e.shiftKey) return
              e.preventDefault()
              if (lines.trim() !== '') take(lines)
            },
          },
        }}
      />
      {lines.trim() !== '' && (
        <Press type="submit" className="plain-button">
          Take them
        </Press>
      )}
      <div role="status">
        {taken > 0 && <p className="quiet">{taken === 1 ? 'One value' : `${taken} values`} taken.</p>}
        {left.map(({ line, message }, i) => (
          <p key={i} className="pencil">
            <b>{line}</b> {message}
          </p>
        ))}
      </div>
    </form>
  )
}
