import { type Problem } from '@viga/core'
import { fillRows, type TablePlace } from '@viga/core/statement/read-rows'
import { useState } from 'react'
import { RowCell } from '../fields/RowCell'
import { useEdit, useSheet, useSheetStore } from '../sheet/context'
import { keptLeft, leftLines, leftPlace, putLeft } from '../sheet/left-rows'
import { RemoveButton } from '../widgets/Block'

/** Rows shown at once; the next ones come as these are mended. */
const MOST_SHOWN = 12

/** The rows of a paste that were not understood, each to be mended where it stands; Enter reads it again. */
export function LeftRows({ place, columns }: { place: TablePlace; columns: number }) {
  const at = leftPlace(place)
  const kept = useSheet((s) => keptLeft(s.drafts, at))
  if (kept === undefined) return null
  const lines = leftLines(kept)
  return (
    <>
      {lines.slice(0, MOST_SHOWN).map((line, i) => (
        <LeftRow
          key={`${i} of ${lines.length}`}
          place={place}
          lines={lines}
          at={i}
          line={line}
          columns={columns}
        />
      ))}
      {lines.length > MOST_SHOWN && (
        <tr className="others">
          <td colSpan={columns}>{lines.length - MOST_SHOWN} more rows that were not understood</td>
        </tr>
      )}
    </>
  )
}

interface RowProps {
  place: TablePlace
  lines: readonly string[]
  at: number
  line: string
  columns: number
}

/** Why a line is not understood in the problem as it stands; undefined where it would be. */
function whyLeft(p: Problem, line: string, place: TablePlace): string | undefined {
  const filled = fillRows(p, line, place)
  return filled.ok ? filled.left[0]?.message : filled.message
}

function LeftRow({ place, lines, at, line, columns }: RowProps) {
  const store = useSheetStore()
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const [text, setText] = useState(line)
  const message = text === line ? whyLeft(problem, line, place) : undefined
  const put = (next: readonly string[]) => putLeft(store, leftPlace(place), next)
  const others = lines.filter((_, i) => i !== at)
  const read = () => {
    const filled = fillRows(store.getState().problem, text, place)
    if (filled.ok && filled.taken > 0) {
      put(others)
      apply(`row of the ${place.table}`, () => filled.problem)
    } else put(text.trim() === '' ? others : lines.map((l, i) => (i === at ? text : l)))
  }
  return (
    <tr className="new-row left-row">
      <td colSpan={columns - 1}>
        <RowCell
          name={`row ${at + 1} that was not understood`}
          placeholder=""
          value={text}
          refusal={message === undefined ? undefined : { message }}
          onChange={setText}
          onEnter={read}
          onEscape={() => {
            if (text === line) return false
            setText(line)
            return true
          }}
        />
      </td>
      <td>
        <RemoveButton what={`row ${at + 1} that was not understood`} onClick={() => put(others)} />
      </td>
    </tr>
  )
}
