import { lineOf, type LeftRow } from '@viga/core'
import type { TablePlace } from '@viga/core/statement/read-rows'
import { readRow, ROW, writeRow } from './rows-kept'
import type { SheetStore } from './store'

/** The name by which the rows that a paste left over are kept, by table and load case. */
export const leftPlace = (place: TablePlace): string =>
  place.table === 'loads' ? `loads of ${place.caseId}` : place.table

const keyOf = (place: string) => `${ROW}left in ${place}`

/** The lines of a kept text. */
export const leftLines = (kept: string | undefined): string[] =>
  readRow(kept, { lines: '' }).lines.split('\n').filter(Boolean)

/** The kept text of the rows left over at a place, as a store's drafts have it. */
export const keptLeft = (drafts: Readonly<Record<string, { text: string }>>, place: string) =>
  drafts[keyOf(place)]?.text

/** Puts the lines that are left over at a place. */
export function putLeft(store: SheetStore, place: string, lines: readonly string[]) {
  const text = writeRow({ lines: lines.join('\n') })
  store.getState().draft(keyOf(place), text === null ? null : { text })
}

/** Keeps rows that a paste did not understand beside those of earlier pastes. */
export function keepLeft(store: SheetStore, place: string, rows: readonly LeftRow[]) {
  if (rows.length === 0) return
  const before = leftLines(keptLeft(store.getState().drafts, place))
  putLeft(store, place, [...before, ...rows.map((r) => lineOf(r.cells))])
}
