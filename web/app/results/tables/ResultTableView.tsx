import { formatNumber, headOf, sortedRows, type ResultTable, type TableCell, type TableRow } from '@viga/core'
import { useMemo, type ReactNode } from 'react'
import { useRow } from '../../fields/rows'
import { useWindowed } from '../../fields/windowed'
import { Press } from '../../widgets/Press'

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
 * A table of results on the screen: sorted by a press on a head, long ones in parts, rows lit with the
 * Figure.
 */
export function ResultTableView({ table, figures = 4, sorting, onSort }: Props) {
  const rows = useMemo(
    () => (sorting ? sortedRows(table, sorting.column, sorting.descending) : table.rows),
    [table, sorting],
  )
  const write = useMemo(() => writers(table, figures), [table, figures])
  const { rows: shown, others } = useWindowed(rows, (r) => r.target ?? '', table.columns.length)
  /** A joint or member is named in the first of its rows, as long as the rows are not sorted. */
  const repeats = (i: number) => !sorting && i > 0 && rows[i - 1]?.cells[0] === rows[i].cells[0]
  const cells = (row: readonly TableCell[], again = false): ReactNode =>
    row.map((c, i) => (
      <td key={i} className={table.columns[i].words ? undefined : 'n'}>
        {table.columns[i].key === 'joint' || table.columns[i].key === 'member'
          ? !(again && i === 0) && <i>{c}</i>
          : write[i](c)}
      </td>
    ))
  return (
    <table className="t result-table" aria-label={table.title}>
      <thead>
        <tr>
          {table.columns.map((c, i) => (
            <Head key={c.key} of={c} at={i} sorting={sorting} onSort={onSort} />
          ))}
        </tr>
      </thead>
      <tbody>
        {shown.map(({ item, i }) => (
          <Row key={i} row={item} again={repeats(i)}>
            {cells(item.cells, repeats(i))}
          </Row>
        ))}
        {others}
        {table.total && <tr className="total">{cells(table.total)}</tr>}
      </tbody>
    </table>
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

function Row({ row, again, children }: { row: TableRow; again: boolean; children: ReactNode }) {
  const lit = useRow(row.target ?? '')
  const className = [row.target && lit.className, again && 'inner'].filter(Boolean).join(' ') || undefined
  return (
    <tr {...(row.target ? lit : {})} className={className}>
      {children}
    </tr>
  )
}
