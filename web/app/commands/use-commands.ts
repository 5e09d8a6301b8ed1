import { useEffect, useRef } from 'react'
import { isOfField } from './typing'
import { commandFor, type CommandGroup } from './command'

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
      const command = commandFor(groups, e, isOfField(e), latest.current)
      if (!command) return
      e.preventDefault()
      command.run(latest.current)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [groups, on])
}
