import { edit, isThing, type Problem, type SupportType } from '@viga/core'
import type { SheetStore } from '../sheet/store'
import { chosen, everything } from '../sheet/targets'
import type { Command, CommandGroup } from './command'

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

/** What commands of the selection work on. */
export interface SelectionContext {
  store: SheetStore
}

const selected = ({ store }: SelectionContext) => chosen(store.getState().selection)
const isSome = (c: SelectionContext) => {
  const { nodes, members, loads } = selected(c)
  return nodes.length + members.length + loads.length > 0
}

const takeOut = (key: string): Command<SelectionContext> => ({
  key,
  name: 'Take out the selection',
  when: isSome,
  run: ({ store }) => {
    const { selection } = store.getState()
    store.getState().edit('take out the selection', (p) => removeChosen(p, selection), { select: null })
  },
})

/** The kinds of thing that have a form on the Figure. */
const WITH_FORM = ['node', 'support', 'member', 'load'] as const
const hasForm = (target: string | null) => WITH_FORM.some((kind) => isThing(target, kind))

/** Opens the form of the row that has the focus, or of what is selected, and puts the focus into it. */
const openForm = (key: string, when: Command<SelectionContext>['when']): Command<SelectionContext> => {
  const target = ({ store }: SelectionContext) => {
    const { hover, selection } = store.getState()
    return hasForm(hover) ? hover : hasForm(selection) ? selection : null
  }
  return {
    key,
    name: 'Open the form of the row, or of what is selected',
    inFields: key === 'alt+enter',
    when: (c) => target(c) !== null && (when?.(c) ?? true),
    run: (c) => c.store.setState({ selection: target(c), entering: true }),
  }
}

/** One key for each of the common supports, at the joints that are selected. */
const support = (key: string, type: SupportType | null): Command<SelectionContext> => ({
  key,
  name: type ? `${type[0].toUpperCase()}${type.slice(1)} support` : 'No support',
  when: (c) => selected(c).nodes.length > 0,
  run: (c) => {
    const { nodes } = selected(c)
    c.store
      .getState()
      .edit(type ? `${type} support` : 'no support', (p) =>
        nodes.reduce((q, n) => edit.setSupport(q, n, type ? { type } : undefined), p),
      )
  },
})

export const SELECTION_COMMANDS: readonly CommandGroup<SelectionContext>[] = [
  {
    title: 'What is selected',
    commands: [
      {
        key: 'ctrl+a',
        name: 'Select everything',
        run: ({ store }) => store.getState().select(everything(store.getState().problem)),
      },
      openForm('alt+enter', undefined),
      // with the focus on a button or link, enter presses that
      openForm('enter', () => document.activeElement === document.body),
      takeOut('delete'),
      takeOut('backspace'),
      {
        key: 'h',
        name: 'Hinges, or none',
        when: (c) => isSome(c) && c.store.getState().problem.kind === 'frame',
        run: ({ store }) => {
          const { selection } = store.getState()
          store.getState().edit('hinges', (p) => toggleHinges(p, selection))
        },
      },
      support('p', 'pin'),
      support('x', 'fixed'),
      support('o', 'roller'),
      support('g', 'guide'),
      support('-', null),
    ],
  },
]
