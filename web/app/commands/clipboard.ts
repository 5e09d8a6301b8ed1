import { copyRows, thing } from '@viga/core'
import { cellsOf, fillRows, type TablePlace } from '@viga/core/statement/read-rows'
import type { SheetStore } from '../sheet/store'
import { chosen, targetOf } from '../sheet/targets'
import { keepLeft, leftPlace } from '../sheet/left-rows'
import { pasted } from './pasted'
import { removeChosen } from './selection'

async function copy(store: SheetStore): Promise<boolean> {
  const { problem, selection } = store.getState()
  const { nodes, members } = chosen(selection)
  if (nodes.length + members.length === 0) return false
  await navigator.clipboard.writeText(copyRows(problem, { nodes, members }))
  return true
}

function paste(store: SheetStore, text: string) {
  const made = pasted(store.getState().problem, text)
  for (const [table, of] of [
    ['joints', 'joint'],
    ['members', 'member'],
  ] as const)
    keepLeft(store, table, made.left?.filter((row) => row.of === of) ?? [])
  if (!made.ok) return store.setState({ refused: made.message })
  store.getState().edit('paste', () => made.problem, {
    select: targetOf([...made.nodes.map((n) => thing.node(n)), ...made.members.map((m) => thing.member(m))]),
  })
  if (made.said) store.setState({ said: made.said })
}

/** The place of a field in a table of the statement, as its row and table say it. */
function placeOf(field: Element): TablePlace | undefined {
  const table = field.closest<HTMLElement>('[data-rows]')
  const row = field.closest<HTMLElement>('[data-row]')?.dataset.row
  const at = row === undefined ? {} : { row: Number(row) }
  switch (table?.dataset.rows) {
    case 'joints':
      return {
        table: 'joints',
        ...at,
        column: field.closest<HTMLElement>('[data-column]')?.dataset.column === 'y' ? 'y' : 'x',
      }
    case 'members':
    case 'supports':
      return { table: table.dataset.rows }
    case 'loads':
      return { table: 'loads', ...at, caseId: table.dataset.case ?? '1' }
    default:
      return undefined
  }
}

function fill(store: SheetStore, text: string, place: TablePlace) {
  const made = fillRows(store.getState().problem, text, place)
  if (!made.ok) return store.setState({ refused: made.message })
  const { said, taken, left } = made
  keepLeft(store, leftPlace(place), left)
  if (taken > 0) store.getState().edit(`paste into the ${place.table}`, () => made.problem)
  if (said && taken > 0) store.setState({ said })
}

const inField = (e: Event) => (e.target as HTMLElement | null)?.closest?.('input, textarea, select') ?? null

/**
 * Copies, cuts and pastes the selection through the clipboard; fields keep theirs.
 * @returns a function that stops listening
 */
export function listenToClipboard(store: SheetStore): () => void {
  const refuse = (error: unknown) =>
    store.setState({
      refused:
        error instanceof Error
          ? `The clipboard cannot be used: ${error.message}`
          : 'The clipboard cannot be used.',
    })
  const onCopy = (e: ClipboardEvent) => {
    if (inField(e) || (window.getSelection()?.toString() ?? '') !== '') return
    copy(store).catch(refuse)
  }
  const onCut = (e: ClipboardEvent) => {
    if (inField(e)) return
    const { selection } = store.getState()
    copy(store).then(
      (copied) => copied && store.getState().edit('cut', (p) => removeChosen(p, selection), { select: null }),
      refuse,
    )
  }
  const onPaste = (e: ClipboardEvent) => {
    const text = e.clipboardData?.getData('text/plain')
    if (!text) return
    const field = inField(e)
    const place = field && cellsOf(text) ? placeOf(field) : undefined
    if (field && !place) return
    e.preventDefault()
    if (place) fill(store, text, place)
    else paste(store, text)
  }
  document.addEventListener('copy', onCopy)
  document.addEventListener('cut', onCut)
  document.addEventListener('paste', onPaste)
  return () => {
    document.removeEventListener('copy', onCopy)
    document.removeEventListener('cut', onCut)
    document.removeEventListener('paste', onPaste)
  }
}
