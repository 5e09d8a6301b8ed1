import { useEffect, useRef } from 'react'
import { commandFor, type CommandGroup } from './command'
import { takeEarlyKeys } from './early-keys'
import { isOfField } from './typing'

/**
 * Listens for the keys of some commands while the component is on the page, and answers to those pressed
 * while it was on its way.
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
    const act = (e: KeyboardEvent): boolean => {
      const command = commandFor(groups, e, isOfField(e), latest.current)
      if (!command) return false
      e.preventDefault()
      command.run(latest.current)
      return true
    }
    const onKey = (e: KeyboardEvent) => void act(e)
    takeEarlyKeys(act)
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [groups, on])
}
