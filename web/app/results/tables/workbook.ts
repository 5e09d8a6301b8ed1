import { fileName, headOf, tableCsv, type ResultTable } from '@viga/core'

/** Hands a file to the person, as a browser does with a link that downloads. */
export function download(name: string, content: Blob | string, type = 'text/csv;charset=utf-8') {
  const url = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // the browser has begun to read it by then
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

export const downloadCsv = (title: string, table: ResultTable) =>
  download(`${fileName(title)}-${table.key}.csv`, tableCsv(table))

/** A cell of a sheet as the writer of workbooks takes it. */
type SheetCell = {
  value: number | string
  type: NumberConstructor | StringConstructor
  fontWeight?: 'bold'
} | null

/** The rows of a sheet: a bold head with units, then numbers as numbers. */
export const sheetRows = ({ columns, rows, total }: ResultTable): SheetCell[][] => [
  columns.map((c) => ({ value: headOf(c), type: String, fontWeight: 'bold' as const })),
  ...[...rows.map((r) => r.cells), ...(total ? [total] : [])].map((cells) =>
    cells.map((c) =>
      c === null ? null : typeof c === 'number' ? { value: c, type: Number } : { value: c, type: String },
    ),
  ),
]

/** A workbook with a sheet for each table. */
export async function downloadWorkbook(title: string, tables: readonly ResultTable[]) {
  const { default: writeWorkbook } = await import('write-excel-file/browser')
  const sheets = tables.map((table) => ({
    sheet: table.title.slice(0, 31),
    data: sheetRows(table),
    columns: table.columns.map((c) => ({ width: Math.max(10, headOf(c).length + 3) })),
    stickyRowsCount: 1,
  }))
  const blob = await writeWorkbook(sheets).toBlob()
  download(`${fileName(title)}-results.xlsx`, blob)
}
