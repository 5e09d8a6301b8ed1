import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { Press } from '../widgets/Press'
import { useSheet } from '../sheet/context'
import { targetsOf } from '../sheet/targets'

/** Tables with more rows than this are shown in parts, so that a page of thousands answers at once. */
const MANY = 150
const PART = 100

/**
 * The rows of a long table that are shown: a part of them, which follows what is selected on the Figure and
 * what is
 * appended. Short tables are shown whole.
 * @param targetAt what a row is on the Figure
 * @returns the shown rows with their places, and a row that leads to the others
 */
export function useWindowed<T>(
  items: readonly T[],
  targetAt: (item: T, i: number) => string,
  columns: number,
): { rows: { item: T; i: number }[]; others: ReactNode } {
  const [start, setStart] = useState(0)
  const selection = useSheet((s) => s.selection)
  const long = items.length > MANY
  const count = useRef(items.length)
  useEffect(() => {
    if (items.length > count.current) setStart(startOf(items.length - 1))
    count.current = items.length
  }, [items.length])
  useEffect(() => {
    if (!long || selection === null) return
    const [chosen] = targetsOf(selection)
    const at = items.findIndex((o, i) => targetAt(o, i) === chosen)
    if (at >= 0) setStart(startOf(at))
    // A new selection leads to its row; edits of the table do not lead away.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selection])
  const from = Math.min(start, startOf(Math.max(0, items.length - 1)))
  const rows = useMemo(
    () =>
      (long ? items.slice(from, from + PART) : items).map((item, k) => ({ item, i: (long ? from : 0) + k })),
    [items, long, from],
  )
  return {
    rows,
    others: long && (
      <Others from={from} to={from + rows.length} count={items.length} columns={columns} go={setStart} />
    ),
  }
}

const startOf = (i: number) => Math.floor(i / PART) * PART

function Others({
  from,
  to,
  count,
  columns,
  go,
}: {
  from: number
  to: number
  count: number
  columns: number
  go: (start: number) => void
}) {
  return (
    <tr className="others">
      <td colSpan={columns}>
        rows {from + 1} to {to} of {count}
        <Press className="link" disabled={from === 0} onClick={() => go(Math.max(0, from - PART))}>
          earlier
        </Press>
        <Press className="link" disabled={to >= count} onClick={() => go(from + PART)}>
          later
        </Press>
        <Press className="link" disabled={to >= count} onClick={() => go(startOf(count - 1))}>
          last
        </Press>
      </td>
    </tr>
  )
}
