import { copyRows, thing } from '@viga/core'
import { useEffect } from 'react'
import { useSheetStore } from '../sheet/context'
import type { SheetStore } from '../sheet/store'
import { chosen, targetOf } from '../sheet/targets'
import { pasted, removeChosen } from './selection'

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

const inField = (e: Event) => (e.target as HTMLElement | null)?.closest?.('input, textarea, select') ?? null

/** Copies, cuts and pastes the selection through the clipboard; fields keep theirs. */
export function useClipboard(on: boolean) {
  const store = useSheetStore()
  useEffect(() => {
    if (!on) return
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
    document.addEventListener('copy', onCopy)
    document.addEventListener('cut', onCut)
    document.addEventListener('paste', onPaste)
    return () => {
      document.removeEventListener('copy', onCopy)
      document.removeEventListener('cut', onCut)
      document.removeEventListener('paste', onPaste)
    }
  }, [store, on])
}
