import { useSheet, useSheetStore } from './context'
import { readRow, ROW, writeRow } from './rows-kept'

/**
 * What is typed into a row that is not there yet: kept with the texts that cannot be read yet, so that it
 * outlives another
 * part of the Sheet, an undo and a reload.
 * @param name the row's own name on the page
 * @param empty its fields, empty
 */
export function useNewRow<K extends string>(
  name: string,
  empty: Readonly<Record<K, string>>,
): [Record<K, string>, (fields: Record<K, string>) => void] {
  const store = useSheetStore()
  const kept = useSheet((s) => s.drafts[ROW + name]?.text)
  const put = (fields: Record<K, string>) => {
    const text = writeRow(fields)
    store.getState().draft(ROW + name, text === null ? null : { text })
  }
  return [readRow(kept, empty), put]
}
