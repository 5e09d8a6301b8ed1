import { screen, waitFor } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Loads } from '../../app/given/Loads'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const cases: Problem = {
  ...beam,
  loadCases: [
    { id: 'D', title: 'Dead', loads: [] },
    { id: 'L', title: 'Live', loads: [] },
  ],
}
const loads = (p: Problem, i = 0) => p.loadCases![i].loads
const entry = (what: string) => screen.getByRole('textbox', { name: `${what} of a new load` })

describe('the table of loads', () => {
  it('takes a force on a joint and a uniform load on a member, each by its unit', async () => {
    const { user, problem } = inSheet(cases, <Loads />)
    await user.type(entry('joint or member'), 'B')
    await user.type(entry('amount'), '8 kN{Enter}')
    await user.type(entry('joint or member'), 'AB')
    await user.type(entry('amount'), '6 kN/m{Enter}')
    expect(loads(problem())).toMatchObject([
      { type: 'nodal', node: 'B' },
      { type: 'distributed', member: 'AB' },
    ])
  })

  it('takes a whole line typed into its first field', async () => {
    const { user, problem } = inSheet(cases, <Loads />)
    await user.type(entry('joint or member'), 'BC 10 kN down at 1.5 m{Enter}')
    expect(loads(problem())).toHaveLength(1)
    expect(loads(problem())[0]).toMatchObject({ type: 'point', member: 'BC', at: '1.5 m' })
  })

  it('refuses a joint that is not there, at its field, and keeps what was typed', async () => {
    const { user, problem } = inSheet(cases, <Loads />)
    await user.type(entry('joint or member'), 'Q')
    await user.type(entry('amount'), '8 kN{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('Q')
    expect(entry('amount')).toHaveProperty('value', '8 kN')
    expect(problem()).toBe(cases)
  })

  it.each([
    ['BC 5 kN at 1.5, 6 kN at 99', '99'],
    ['Q 5 kN', 'Q'],
    ['BC 5 kN up 3', '3'],
  ])('marks what a line is refused for: %s', async (line, marked) => {
    const { user, problem } = inSheet(cases, <Loads />)
    await user.type(entry('joint or member'), `${line}{Enter}`)
    await screen.findByRole('alert')
    const { value, selectionStart, selectionEnd } = document.activeElement as HTMLInputElement
    expect(value).toBe(line)
    expect(value.slice(selectionStart!, selectionEnd!)).toBe(marked)
    expect(problem()).toBe(cases)
  })

  it('marks a place of its own field that is off the member', async () => {
    const { user } = inSheet(cases, <Loads />)
    await user.type(entry('joint or member'), 'BC')
    await user.type(entry('amount'), '5 kN')
    await user.type(entry('place'), '99{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('not on BC')
    expect(screen.getByRole('alert').closest('td')).toBe(entry('place').closest('td'))
  })

  it('relabels the case everywhere, and refuses a label that is taken', async () => {
    const { user, problem, store } = inSheet(
      { ...cases, combinations: [{ id: 'U', factors: { D: 1.2, L: 1.6 } }] },
      <Loads />,
    )
    const label = screen.getByRole('textbox', { name: 'label of this case' })
    await user.clear(label)
    await user.type(label, 'L{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain(
      'There is a case or combination L already.',
    )
    await user.clear(label)
    await user.type(label, 'G{Enter}')
    expect(problem().combinations![0].factors).toEqual({ G: 1.2, L: 1.6 })
    expect(store.getState().actionId).toBe('G')
  })

  it('says what a case comes from and how much of the own weight it has', async () => {
    const { user, problem } = inSheet(
      { ...cases, materials: [{ id: 'steel', E: '200 GPa', unitWeight: '77 kN/m^3' }] },
      <Loads />,
    )
    await user.selectOptions(screen.getByRole('combobox', { name: 'category of this case' }), 'snow')
    expect(problem().loadCases![0].category).toBe('snow')
    const weight = screen.getByRole('textbox', { name: 'own weight in this case' })
    await user.type(weight, '1.35{Enter}')
    expect(problem().loadCases![0].selfWeight).toBe(1.35)
    await user.clear(weight)
    await user.type(weight, 'much{Enter}')
    expect(await screen.findByRole('alert')).toBeTruthy()
    expect(problem().loadCases![0].selfWeight).toBe(1.35)
  })

  it('is of the case that is chosen; another one is added and taken out', async () => {
    const { user, problem, store } = inSheet(cases, <Loads />)
    await user.click(screen.getByRole('button', { name: 'another case' }))
    expect(problem().loadCases).toHaveLength(3)
    const fresh = problem().loadCases![2].id
    await waitFor(() => expect(store.getState().actionId).toBe(fresh))
    await user.click(screen.getByRole('button', { name: 'take out' }))
    expect(problem().loadCases!.map((c) => c.id)).toEqual(['D', 'L'])
    expect(store.getState().actionId).toBe('D')
  })
})
