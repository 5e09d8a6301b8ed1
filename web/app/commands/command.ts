/**
 * Something a person can do by a key: keys and the list of keys that `?` shows come from the same entries.
 */
export interface Command<C> {
  /** The key as it is shown, lower case, with ctrl, shift and alt before it: "h", "ctrl+shift+z". */
  key: string
  /** What it does, as the list of keys says it. */
  name: string
  /** Whether it can be done now; always where it is left out. */
  when?: (context: C) => boolean
  run: (context: C) => void
  /** Works while a text field has the focus too. */
  inFields?: boolean
}

/** Commands that belong together, under the heading they have in the list of keys. */
export interface CommandGroup<C> {
  title: string
  commands: readonly Command<C>[]
}

/** The parts of a keyboard event that identify a command. */
export type KeyPress = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>

/** The key of an event as commands write it; the command key of a Mac counts as ctrl. */
export function pressed(e: KeyPress): string {
  // with alt many layouts make another letter, so the place of the key counts
  const plain = e.altKey && /^(Key|Digit)/.test(e.code) ? e.code.replace(/^(Key|Digit)/, '') : e.key
  const key = plain.toLowerCase()
  const shift = e.shiftKey && /^[a-z]$/.test(key)
  return [e.ctrlKey || e.metaKey ? 'ctrl' : '', e.altKey ? 'alt' : '', shift ? 'shift' : '', key]
    .filter(Boolean)
    .join('+')
}

/** The command of a key press, where it can be done now. */
export function commandFor<C>(
  groups: readonly CommandGroup<C>[],
  e: KeyPress,
  inField: boolean,
  context: C,
): Command<C> | undefined {
  const key = pressed(e)
  return groups
    .flatMap((g) => g.commands)
    .find((c) => c.key === key && (!inField || c.inFields) && (c.when?.(context) ?? true))
}
