import { thing, copyRows, edit, measure, pasteRows, type Problem, type SupportType } from '@viga/core'
import { useEffect } from 'react'
import { useSheetStore } from '../sheet/context'
import type { SheetStore } from '../sheet/store'
import { chosen, everything, targetOf } from '../sheet/targets'

/** One key for each of the common supports, at the joints that are selected. */
export const SUPPORT_KEYS: Record<string, SupportType | null> = {
  p: 'pin',
  x: 'fixed',
  o: 'roller',
  g: 'guide',
  '-': null,
}

/** Takes out what is selected: loads alone, or joints and members with what hangs on them. */
export function removeChosen(p: Problem, selection: string | null): Problem {
  const { nodes, members, loads } = chosen(selection)
  // from the last to the first, so that the places of the others hold
  const rest = [...loads]
    .sort((a, b) => b.index - a.index)
    .reduce((q, l) => edit.removeLoad(q, l.caseId, l.index), p)
  return edit.removeNodes(edit.removeMembers(rest, members), nodes)
}

/**
 * Hinges both ends of the selected members, all ends at the selected joints, or lifts the hinges where all
 * are hinged.
 */
export function toggleHinges(p: Problem, selection: string | null): Problem {
  const { nodes, members } = chosen(selection)
  const ends = p.members.flatMap((m) =>
    m.type === 'bar'
      ? []
      : (['start', 'end'] as const)
          .filter((end) => members.includes(m.id) || (members.length === 0 && nodes.includes(m[end])))
          .map((end) => ({ id: m.id, end, hinged: m.releases?.[end]?.M === true })),
  )
  const all = ends.every((e) => e.hinged)
  return ends.reduce((q, e) => edit.setHinge(q, e.id, e.end, !all), p)
}

/**
 * Rows pasted beside what is there: clear of it to the right, or where they were when nothing is in the way.
 */
export function pasted(p: Problem, text: string) {
  const there = pasteRows(p, text)
  if (!there.ok || p.nodes.length === 0) return there
  const m = measure(there.problem)
  const [old, fresh] = [p.nodes.map((n) => m.at.get(n.id)!), there.nodes.map((id) => m.at.get(id)!)]
  const covered = fresh.some((q) => old.some((o) => Math.hypot(o.x - q.x, o.y - q.y) <= 1e-6 * m.extent))
  if (!covered) return there
  const width = Math.max(...old.map((o) => o.x)) - Math.min(...fresh.map((q) => q.x))
  return pasteRows(p, text, Number((width + Math.max(1, 0.2 * m.extent)).toPrecision(3)), 0)
}

async function copy(store: SheetStore): Promise<boolean> {
  const { problem, selection } = store.getState()
  const { nodes, members } = chosen(selection)
  if (nodes.length + members.length === 0) return false
  await navigator.clipboard.writeText(copyRows(problem, { nodes, members }))
  return true
}

function paste(store: SheetStore, text: string) {
  const made = pasted(store.getState().problem, text)
  if (!made.ok) return store.setState({ refused: made.message })
  store.getState().edit('paste', () => made.problem, {
    select: targetOf([...made.nodes.map((n) => thing.node(n)), ...made.members.map((m) => thing.member(m))]),
  })
}

/** Keys that work on the selection; fields keep theirs. */
export function useFigureKeys(on: boolean) {
  const store = useSheetStore()
  useEffect(() => {
    if (!on) return
    const inField = (e: Event) =>
      (e.target as HTMLElement | null)?.closest?.('input, textarea, select') ?? null
    const onKey = (e: KeyboardEvent) => {
      if (inField(e) || e.altKey) return
      const { problem, selection } = store.getState()
      const { nodes, members, loads } = chosen(selection)
      const command = e.ctrlKey || e.metaKey
      const key = e.key.toLowerCase()
      const some = nodes.length + members.length + loads.length > 0
      if (command && key === 'a') store.getState().select(everything(problem))
      else if (command || !some) return
      else if (key === 'delete' || key === 'backspace')
        store.getState().edit('take out the selection', (p) => removeChosen(p, selection), { select: null })
      else if (key === 'h' && problem.kind === 'frame')
        store.getState().edit('hinges', (p) => toggleHinges(p, selection))
      else if (key in SUPPORT_KEYS && nodes.length) {
        const type = SUPPORT_KEYS[key]
        store
          .getState()
          .edit(type ? `${type} support` : 'no support', (p) =>
            nodes.reduce((q, n) => edit.setSupport(q, n, type ? { type } : undefined), p),
          )
      } else return
      e.preventDefault()
    }
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
        (copied) =>
          copied && store.getState().edit('cut', (p) => removeChosen(p, selection), { select: null }),
        refuse,
      )
    }
    const onPaste = (e: ClipboardEvent) => {
      const text = e.clipboardData?.getData('text/plain')
      if (inField(e) || !text) return
      e.preventDefault()
      paste(store, text)
    }
    window.addEventListener('keydown', onKey)
    document.addEventListener('copy', onCopy)
    document.addEventListener('cut', onCut)
    document.addEventListener('paste', onPaste)
    return () => {
      window.removeEventListener('keydown', onKey)
      document.removeEventListener('copy', onCopy)
      document.removeEventListener('cut', onCut)
      document.removeEventListener('paste', onPaste)
    }
  }, [store, on])
}
