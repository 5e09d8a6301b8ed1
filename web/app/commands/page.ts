import type { Part } from '@viga/drawing/caption'
import { PARTS } from '../sheet/context'
import type { SheetStore } from '../sheet/store'
import type { Command, CommandGroup } from './command'

/** What commands of the whole page work on. */
export interface PageContext {
  store: SheetStore
  /** Opens a part of the Sheet. */
  go: (part: Part) => void
  /** Opens the list of keys. */
  help: () => void
  /** Opens the view for a class. */
  project: () => void
}

/** A field that holds a text which is not part of the problem yet: the browser undoes its typing. */
const notTyping = () => typeof document === 'undefined' || !document.activeElement?.matches('[data-typing]')

/** The page as it usually is; on the projector the same key goes through Figure and Sheet. */
const isOnPaper = () => typeof document === 'undefined' || !document.documentElement.dataset.projector

const undo: Command<PageContext> = {
  key: 'ctrl+z',
  name: 'Undo',
  inFields: true,
  when: notTyping,
  run: ({ store }) => store.getState().undo(),
}
const redo: Command<PageContext> = {
  key: 'ctrl+shift+z',
  name: 'Redo',
  inFields: true,
  when: notTyping,
  run: ({ store }) => store.getState().redo(),
}

/** The field that a new row of a table begins with, by the letter that leads there. */
const ENTRIES = [
  ['alt+j', 'Type a joint', 'x of a new joint'],
  ['alt+m', 'Type members', 'joints of new members'],
  ['alt+s', 'Type a support', 'joint and kind of a new support'],
  ['alt+l', 'Type a load', 'joint or member of a new load'],
] as const

const fieldNamed = (name: string) => document.querySelector<HTMLElement>(`[aria-label="${name}"]`)

export const PAGE_COMMANDS: readonly CommandGroup<PageContext>[] = [
  {
    title: 'The Sheet',
    commands: [
      ...PARTS.flatMap((p, i): Command<PageContext>[] => [
        { key: String(i + 1), name: p.label, run: ({ go }) => go(p.key) },
        {
          key: `alt+${i + 1}`,
          name: p.label,
          inFields: true,
          run: ({ go }) => go(p.key),
        },
      ]),
      undo,
      redo,
      { ...redo, key: 'ctrl+y' },
      { key: 'w', name: 'Project: the view for a class', when: isOnPaper, run: ({ project }) => project() },
      { key: '?', name: 'This list', run: ({ help }) => help() },
    ],
  },
  {
    title: 'Entering the statement',
    commands: ENTRIES.map(([key, name, field]) => ({
      key,
      name,
      inFields: true,
      when: () => fieldNamed(field) !== null,
      run: () => {
        fieldNamed(field)?.focus()
        fieldNamed(field)?.scrollIntoView({ block: 'center' })
      },
    })),
  },
]
