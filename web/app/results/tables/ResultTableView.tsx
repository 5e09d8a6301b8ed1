import { formatNumber, headOf, sortedRows, type ResultTable, type TableCell, type TableRow } from '@viga/core'
import { useMemo, type ReactNode } from 'react'
import { useRow } from '../../fields/rows'
import { Press } from '../../widgets/Press'
import { useRowsInSight } from './rows-in-sight'

export interface Sorting {
  column: number
  descending: boolean
}

/** Below this part of the largest number of its column a value is rounding error and reads 0. */
const ROUNDING = 1e-9

/** Numbers of a column as they are written, rounding errors as 0. */
function writers(table: ResultTable, figures: number): ((c: TableCell) => string)[] {
  // a column of mixed dimensions (extremes) has its rows weighed by themselves
  return table.columns.map((column, i) => {
    const most = column.unit
      ? table.rows.reduce((t, r) => Math.max(t, Math.abs(Number(r.cells[i]) || 0)), 0)
      : 0
    return (c) =>
      c === null
        ? '–'
        : typeof c === 'string'
          ? c
          : Math.abs(c) <= ROUNDING * most
            ? '0'
            : formatNumber(c, { figures })
  })
}

interface Props {
  table: ResultTable
  figures?: number
  sorting?: Sorting | null
  onSort?: (s: Sorting | null) => void
}

/**
 * A table of results on the screen: sorted by a press on a head, a long one in a window of its own, rows lit
 * with the Figure.
 */
export function ResultTableView({ table, figures = 4, sorting, onSort }: Props) {
  const rows = useMemo(
    () => (sorting ? sortedRows(table, sorting.column, sorting.descending) : table.rows),
    [table, sorting],
  )
  const write = useMemo(() => writers(table, figures), [table, figures])
  const { frame, long, places, above, below } = useRowsInSight(rows)
  /** A joint or member is named in the first of its rows, as long as the rows are not sorted. */
  const repeats = (i: number) => !sorting && i !== places[0] && rows[i - 1]?.cells[0] === rows[i].cells[0]
  const cells = (row: readonly TableCell[], again = false): ReactNode =>
    row.map((c, i) => (
      <td key={i} className={table.columns[i].words ? undefined : 'n'}>
        {table.columns[i].key === 'joint' || table.columns[i].key === 'member'
          ? !(again && i === 0) && <i>{c}</i>
          : write[i](c)}
      </td>
    ))
  const shown = (
    <table
      className="t result-table"
      aria-label={table.title}
      aria-rowcount={long ? rows.length + 1 : undefined}
    >
      <thead>
        <tr>
          {table.columns.map((c, i) => (
            <Head key={c.key} of={c} at={i} sorting={sorting} onSort={onSort} />
          ))}
        </tr>
      </thead>
      <tbody>
        {long && <Widest table={table} write={write} />}
        <Room px={above} columns={table.columns.length} />
        {places.map((i) => (
          <Row key={i} row={rows[i]} again={repeats(i)} at={long ? i + 2 : undefined}>
            {cells(rows[i].cells, repeats(i))}
          </Row>
        ))}
        <Room px={below} columns={table.columns.length} />
        {table.total && <tr className="total">{cells(table.total)}</tr>}
      </tbody>
    </table>
  )
  return long ? (
    <div ref={frame} className="long-table" tabIndex={0} role="group" aria-label={`rows of ${table.title}`}>
      {shown}
    </div>
  ) : (
    shown
  )
}

/** Empty room in place of the rows above or below the window. */
const Room = ({ px, columns }: { px: number; columns: number }) =>
  px > 0 && (
    <tr aria-hidden className="room">
      <td colSpan={columns} style={{ height: px }} />
    </tr>
  )

/** A row without height that holds the longest text of each column: columns stay as wide as they are. */
function Widest({ table, write }: { table: ResultTable; write: readonly ((c: TableCell) => string)[] }) {
  const longest = useMemo(
    () =>
      table.columns.map((_, i) => {
        // of numbers the outermost are tried: to write all of them would take too long
        const cells = table.rows.map((r) => r.cells[i])
        const texts = cells.filter((c) => typeof c === 'string')
        const sizes = cells.filter((c) => typeof c === 'number').sort((a, b) => a - b)
        const near0 = sizes.findIndex((v) => v >= 0)
        const tried = [...new Set([0, 1, near0 - 1, near0, near0 + 1, sizes.length - 2, sizes.length - 1])]
        const all = [...texts, ...tried.filter((k) => k in sizes).map((k) => write[i](sizes[k]))]
        return all.reduce((a, b) => (b.length > a.length ? b : a), '')
      }),
    [table, write],
  )
  return (
    <tr aria-hidden className="widest">
      {longest.map((text, i) => (
        <td key={i} className={table.columns[i].words ? undefined : 'n'}>
          {text}
        </td>
      ))}
    </tr>
  )
}

interface HeadProps extends Pick<Props, 'sorting' | 'onSort'> {
  of: ResultTable['columns'][number]
  at: number
}

/** The head of a column: a press sorts by it, rising first, then falling, then as the rows stood. */
function Head({ of: column, at, sorting, onSort }: HeadProps) {
  const name = headOf(column).replace(/ \((.*)\)$/, ', $1')
  const sorted = sorting?.column === at ? (sorting.descending ? 'descending' : 'ascending') : undefined
  const next = sorted === 'descending' ? null : { column: at, descending: sorted === 'ascending' }
  return (
    <th className={column.words ? undefined : 'n'} aria-sort={sorted}>
      {onSort ? (
        <Press onClick={() => onSort(next)}>
          {name}
          {sorted && (sorted === 'descending' ? ' ↓' : ' ↑')}
        </Press>
      ) : (
        name
      )}
    </th>
  )
}

interface RowProps {
  row: TableRow
  again: boolean
  /** Its place among all rows of a long table, the head counted. */
  at?: number
  children: ReactNode
}

function Row({ row, again, at, children }: RowProps) {
  const lit = useRow(row.target ?? '')
  const className = [row.target && lit.className, again && 'inner'].filter(Boolean).join(' ') || undefined
  return (
    <tr {...(row.target ? lit : {})} className={className} aria-rowindex={at}>
      {children}
    </tr>
  )
}
