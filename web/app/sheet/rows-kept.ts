import type { Drafts } from './drafts'

/** Texts of rows that are not there yet are kept under names that begin so; undo leaves them alone. */
export const ROW = 'new row: '

/** The fields of a row as one text; null when nothing is typed. */
export const writeRow = (fields: Readonly<Record<string, string>>): string | null =>
  Object.values(fields).every((t) => t === '') ? null : JSON.stringify(fields)

/** The fields of a kept row; what is not a text of this row is left empty. */
export function readRow<K extends string>(
  kept: string | undefined,
  empty: Readonly<Record<K, string>>,
): Record<K, string> {
  let read: unknown
  try {
    read = JSON.parse(kept ?? '{}')
  } catch {
    read = {}
  }
  const held = (typeof read === 'object' && read !== null ? read : {}) as Record<string, unknown>
  return Object.fromEntries(
    Object.entries(empty).map(([k, v]) => [k, typeof held[k] === 'string' ? held[k] : v]),
  ) as Record<K, string>
}

/** The texts that an undo leaves alone. */
export const rowsOf = (drafts: Drafts): Drafts =>
  Object.fromEntries(Object.entries(drafts).filter(([k]) => k.startsWith(ROW)))
