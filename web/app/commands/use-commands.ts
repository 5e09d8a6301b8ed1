import { useEffect, useRef } from 'react'
import { commandFor, type CommandGroup } from './command'

const FIELDS = 'input, textarea, select, [role="menu"], [role="dialog"] [role="listbox"]'

/**
 * Listens for the keys of some commands while the component is on the page.
 * @param context what the commands work on; the newest is used
 * @param on without it no key does anything
 */
export function useCommands<C>(groups: readonly CommandGroup<C>[], context: C, on = true) {
  const latest = useRef(context)
  useEffect(() => {
    latest.current = context
  })
  useEffect(() => {
    if (!on) return
    const onKey = (e: KeyboardEvent) => {
      const inField = (e.target as HTMLElement | null)?.closest?.(FIELDS) != null
      const command = commandFor(groups, e, inField, latest.current)
      if (!command) return
      e.preventDefault()
      command.run(latest.current)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [groups, on])
}
