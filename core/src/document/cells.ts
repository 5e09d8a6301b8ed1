import { numberStyle, styleWords, withPoint } from './number-style.js'

/** More rows than this are not a textbook problem. */
export const MOST_ROWS = 20_000

/** Cells of a spreadsheet by rows, their numbers with a point as decimal sign. */
export interface Block {
  rows: string[][]
  /** How the commas in numbers were understood, as a sentence, where there were any. */
  said?: string
}

/**
 * Cells by rows as a spreadsheet or a text with semicolons has them, blank rows left out. The decimal sign is
 * decided for the block as a whole.
 */
export function blockOf(text: string): Block {
  const lines = text
    .replace(/\r/g, '')
    .split('\n')
    .filter((line) => line.trim() !== '')
  const tabs = lines.some((line) => line.includes('\t'))
  const parted = !tabs && lines.length > 0 && lines.every((line) => line.includes(';')) ? ';' : '\t'
  const stated = lines
    .map((line) => line.split(parted).map((c) => c.trim()))
    .filter((row) => row.some((c) => c !== ''))
  const all = stated.flat()
  const style = numberStyle(all)
  const said = styleWords(all, style)
  return { rows: stated.map((row) => row.map((c) => withPoint(c, style))), ...(said ? { said } : {}) }
}

/** A row that was not understood: its cells, and why. */
export interface LeftRow {
  cells: string[]
  message: string
}

/** A row as one line that can be mended and read again. */
export const lineOf = (cells: readonly string[]): string => cells.join('; ')
