/** Forms in which a matrix leaves Viga as text. */
export type MatrixForm = 'tabs' | 'csv' | 'latex' | 'python' | 'semicolons' | 'matrix-market'

/** What each form is called where a person chooses it, and the ending of a file of it. */
export const MATRIX_FORMS: Record<MatrixForm, { label: string; ending: string }> = {
  tabs: { label: 'cells for a spreadsheet', ending: 'tsv' },
  csv: { label: 'CSV', ending: 'csv' },
  latex: { label: 'LaTeX', ending: 'tex' },
  python: { label: 'Python list of lists', ending: 'py' },
  semicolons: { label: 'array, rows parted by semicolons', ending: 'txt' },
  'matrix-market': { label: 'Matrix Market', ending: 'mtx' },
}

/**
 * A matrix as text, every number in full. `figures` shortens those of LaTeX only, which is for reading.
 * Matrix Market: coordinates from 1, the lower triangle alone where the matrix is symmetric.
 */
export function matrixText(values: readonly (readonly number[])[], form: MatrixForm, figures = 5): string {
  const rows = values.map((r) => r.map((v) => (Object.is(v, -0) ? 0 : v)))
  const join = (cell: string, row: string) => rows.map((r) => r.join(cell)).join(row)
  switch (form) {
    case 'tabs':
      return join('\t', '\n')
    case 'csv':
      return `${join(',', '\n')}\n`
    case 'latex':
      return [
        '\\begin{bmatrix}',
        rows.map((r) => r.map((v) => latexNumber(v, figures)).join(' & ')).join(' \\\\\n'),
        '\\end{bmatrix}',
      ].join('\n')
    case 'python':
      return `[${rows.map((r) => `[${r.join(', ')}]`).join(',\n ')}]`
    case 'semicolons':
      return `[${rows.map((r) => r.join(' ')).join(';\n ')}]`
    case 'matrix-market':
      return matrixMarket(rows)
  }
}

/** 1.234·10⁵ as `1.234\cdot10^{5}`; zero stays 0. */
export function latexNumber(v: number, figures: number): string {
  if (v === 0) return '0'
  const [mantissa, exponent] = v.toExponential(Math.max(0, figures - 1)).split('e')
  const e = Number(exponent)
  if (e >= -3 && e < figures + 1) return String(Number(v.toPrecision(figures)))
  return `${Number(mantissa)}\\cdot10^{${e}}`
}

function matrixMarket(rows: readonly (readonly number[])[]): string {
  const width = rows[0]?.length ?? 0
  const symmetric =
    width > 1 && rows.length === width && rows.every((r, i) => r.every((v, j) => v === rows[j][i]))
  const lines = rows.flatMap((r, i) =>
    r.flatMap((v, j) => (v === 0 || (symmetric && j > i) ? [] : [`${i + 1} ${j + 1} ${v}`])),
  )
  return [
    `%%MatrixMarket matrix coordinate real ${symmetric ? 'symmetric' : 'general'}`,
    `${rows.length} ${width} ${lines.length}`,
    ...lines,
    '',
  ].join('\n')
}
