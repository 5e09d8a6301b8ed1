import { screen, waitFor, within } from '@testing-library/react'
import { thing, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { SelectedEditor } from '../../app/given/SelectedEditor'
import { structureOf, useSheet, useSheetStore } from '../../app/sheet/context'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const loaded: Problem = {
  ...beam,
  loadCases: [
    {
      id: 'G',
      loads: [
        { type: 'nodal', node: 'B', fy: -8 },
        { type: 'distributed', member: 'AB', direction: 'Y', q: -6 },
      ],
    },
  ],
}

/** The form of what is selected, in a view of 60 px a metre. */
function Form() {
  const store = useSheetStore()
  const structure = useSheet((s) => structureOf(s.outcome))!
  const selection = useSheet((s) => s.selection)
  const view = { scale: 60, ox: 100, oy: 300, width: 900, height: 600 }
  if (selection === null) return <p>nothing is selected</p>
  return (
    <SelectedEditor
      selection={selection}
      structure={structure}
      view={view}
      onClose={() => store.getState().select(null)}
    />
  )
}
async function formOf(target: string, problem: Problem = loaded) {
  const sheet = inSheet(problem, <Form />)
  sheet.store.getState().select(target)
  await waitFor(() => expect(screen.queryByText('nothing is selected')).toBeNull())
  return sheet
}

describe('the form beside a selected thing', () => {
  it('of a joint names it with its place, and says what can be done', async () => {
    const { user, problem, store } = await formOf(thing.node('B'))
    expect(screen.getByText('B')).toBeTruthy()
    expect(screen.getByText('4, 0 m')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'take it out' }))
    expect(problem().nodes.map((n) => n.id)).toEqual(['A', 'C'])
    expect(store.getState().selection).toBeNull()
  })

  it('of a support is that of its joint', async () => {
    await formOf(thing.support('C'))
    const kinds = within(screen.getByRole('group', { name: 'Support of C' }))
    expect(kinds.getByRole('button', { name: 'roller' }).getAttribute('aria-pressed')).toBe('true')
  })

  it('of a member names its length and its ends', async () => {
    const { user, problem } = await formOf(thing.member('AB'))
    expect(screen.getByText('4 m, from A to B')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'parts, springs …' }))
    const parts = screen.getByRole('textbox', { name: 'parts of AB' })
    await user.clear(parts)
    await user.type(parts, '4{Enter}')
    expect(problem().members).toHaveLength(5)
    expect(problem().nodes).toHaveLength(6)
  })

  it('of a load changes its amount with each key, as one step', async () => {
    const { user, problem, store } = await formOf(thing.load('G', 1))
    const amount = screen.getByRole('textbox', { name: /^amount of / })
    await user.clear(amount)
    await user.type(amount, '12')
    expect(problem().loadCases![0].loads[1]).toMatchObject({ q: -12 })
    store.getState().undo()
    expect(problem().loadCases![0].loads[1]).toMatchObject({ q: -6 })
  })

  it('of a load on a joint turns its direction', async () => {
    const { user, problem } = await formOf(thing.load('G', 0))
    const dial = screen.getByRole('slider', { name: /direction/ })
    dial.focus()
    await user.keyboard('{ArrowUp}')
    const [load] = problem().loadCases![0].loads
    expect(load).toMatchObject({ type: 'nodal', fy: 8 })
  })

  it('closes with Escape, and of what is gone there is none', async () => {
    const { user, store } = await formOf(thing.member('AB'))
    await user.keyboard('{Escape}')
    expect(store.getState().selection).toBeNull()
    store.getState().select(thing.member('gone'))
    await waitFor(() => expect(screen.queryByText('nothing is selected')).toBeNull())
    expect(screen.queryByRole('button', { name: 'take it out' })).toBeNull()
  })
})
