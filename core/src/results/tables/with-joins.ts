import { joinsOf } from '../../document/member-joins.js'
import type { Problem } from '../../document/types.js'
import { words, type ResultTable } from './table.js'

/**
 * A table as it goes out of Viga: where labels such as `3` do not say what their members join, a last column
 * says so. On a page a member is lit on the Figure instead.
 */
export function withJoins(table: ResultTable, problem: Pick<Problem, 'members'>): ResultTable {
  const at = table.columns.findIndex((c) => c.key === 'member')
  if (at < 0) return table
  const joins = table.rows.map(({ cells }) => joinsOf(problem, String(cells[at])) ?? null)
  if (joins.every((joined) => joined === null)) return table
  return {
    ...table,
    columns: [...table.columns, words('joins', 'Joins')],
    rows: table.rows.map((row, i) => ({ ...row, cells: [...row.cells, joins[i]] })),
    ...(table.total && { total: [...table.total, null] }),
  }
}
