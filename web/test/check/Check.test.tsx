import { screen, within } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import { methodChoices, type Problem } from '@viga/core'
import { Check } from '../../app/check/Check'
import { unread } from '../../app/sheet/drafts'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

/** w·L/2 = 12 kN at each support, w·L²/8 = 24 kN·m in the middle. */
const loaded: Problem = {
  ...beam,
  loadCases: [
    {
      id: 'G',
      loads: ['AB', 'BC'].map((member) => ({
        type: 'distributed' as const,
        member,
        direction: 'Y' as const,
        q: -3,
      })),
    },
  ],
}

function check(problem: Problem = loaded) {
  const Stub = createRoutesStub([{ path: '/problems/:problemId/check', Component: Check }])
  return inSheet(problem, <Stub initialEntries={['/problems/p/check']} />)
}
const value = (name: string) => screen.getByRole('textbox', { name: `your value of ${name}` })
const choose = (user: ReturnType<typeof check>['user'], list: string) =>
  user.selectOptions(screen.getByRole('combobox', { name: 'list to fill in' }), list)

describe('hand values entered', () => {
  it('from a prepared list: a field a value, only those filled in count', async () => {
    const { user, problem } = check()
    await choose(user, 'reactions')
    const list = screen.getByRole('rowgroup', { name: 'reactions' })
    expect(within(list).getAllByText('not yet')).toHaveLength(3)
    await user.type(value('A y'), '12.0 up')
    expect(problem().answers).toEqual([
      expect.objectContaining({ quantity: 'reaction', node: 'A', component: 'y', value: '12.0' }),
    ])
    expect(within(list).getByText('agrees', { exact: false })).toBeTruthy()
    expect(value('A y')).toHaveProperty('value', '12.0 up')
    await user.clear(value('A y'))
    expect(problem().answers).toEqual([])
  })
  it('of the method by which it was worked: the lists ask for its values', async () => {
    const { user, problem } = check()
    const method = screen.getByRole('combobox', { name: 'method of the hand solution' })
    await user.selectOptions(method, 'moment distribution')
    expect(methodChoices(problem()).worked).toBe('moment-distribution')
    const lists = screen.getByRole('combobox', { name: 'list to fill in' })
    expect(
      within(lists)
        .getAllByRole('option')
        .map((o) => o.textContent),
    ).toEqual(['one by one', 'fixed-end moments', 'end moments'])
    await user.selectOptions(method, 'any method')
    expect(within(lists).getAllByRole('option').length).toBeGreaterThan(6)
  })
  it('with a direction instead of a sign, shown as an arrow', async () => {
    const { user, problem } = check()
    await choose(user, 'reactions')
    await user.type(value('C y'), '5 down')
    await user.tab()
    expect(problem().answers![0].value).toBe(-5)
    expect(value('C y')).toHaveProperty('value', '5 ↓')
  })
  it('with a text that cannot be read: it stays with its sentence and concerns nothing else', async () => {
    const { user, store, problem } = check()
    await choose(user, 'reactions')
    await user.type(value('A y'), '12 left')
    expect(screen.getByRole('alert').textContent).toBe('This component acts up or down.')
    expect(unread(store.getState().drafts, problem())).toEqual([])
  })
  it('as lines: what is understood goes into the table, the rest stays', async () => {
    const { user, problem } = check()
    const lines = screen.getByRole('textbox', { name: 'hand values as lines' })
    await user.click(lines)
    await user.paste('Ay = 12 kN up\nM_BA = 24\nM_XY = 3')
    expect(problem().answers!.map((a) => [a.quantity, a.value])).toEqual([
      ['reaction', '12 kN'],
      ['moment', 24],
    ])
    expect(lines).toHaveProperty('value', 'M_XY = 3')
    // the same place once more is the same answer
    await user.clear(lines)
    await user.type(lines, 'Ay = 13{Enter}')
    expect(problem().answers!.map((a) => a.value)).toEqual([13, 24])
  })
  it('agree within one tolerance for the whole sheet', async () => {
    const { user, problem } = check({
      ...loaded,
      answers: [{ id: 'a1', quantity: 'reaction', node: 'A', component: 'y', value: 12.5 }],
    })
    expect(screen.getByText('0 of 1 agree; 1 differ')).toBeTruthy()
    await user.type(screen.getByRole('textbox', { name: 'tolerance of all values' }), '5%{Enter}')
    expect(problem().answers![0].tolerance).toBe('5%')
    expect(screen.getByText('1 of 1 agree')).toBeTruthy()
  })
})

describe('what is shown of the answer', () => {
  const wrong: Problem = {
    ...loaded,
    answers: [{ id: 'a1', quantity: 'reaction', node: 'A', component: 'y', value: -12 }],
  }
  it('is the value at the most, and at the least whether it is right', async () => {
    const { user } = check(wrong)
    expect(screen.getByText('12.00')).toBeTruthy()
    await user.click(screen.getByRole('radio', { name: 'the slip' }))
    expect(screen.queryByText('12.00')).toBeNull()
    expect(screen.getByText(/opposite sign/)).toBeTruthy()
    await user.click(screen.getByRole('radio', { name: 'only right or wrong' }))
    expect(screen.queryByText(/opposite sign/)).toBeNull()
    expect(screen.getAllByText(/differs/).length).toBeGreaterThan(0)
  })
  it('is next to nothing where the problem covers its values', () => {
    check({ ...wrong, view: { covered: true } })
    expect(screen.getByRole('radio', { name: 'only right or wrong' })).toHaveProperty('checked', true)
    expect(screen.queryByText('12.00')).toBeNull()
  })
})

describe('the case on the Figure', () => {
  const cases: Problem = {
    ...loaded,
    loadCases: [...loaded.loadCases!, { id: 'W', loads: [{ type: 'nodal', node: 'B', fy: -2 }] }],
  }
  const reaction = (id: string, value: number, ofCase?: string) => ({
    id,
    quantity: 'reaction' as const,
    node: 'A',
    component: 'y' as const,
    value,
    ...(ofCase === undefined ? {} : { case: ofCase }),
  })
  it('follows the value that is gone to', async () => {
    const { user, store } = check({ ...cases, answers: [reaction('a', 1, 'W'), reaction('b', 12)] })
    const [ofWind, ofFirst] = screen.getAllByRole('textbox', { name: /^your value of A y/ })
    await user.click(ofWind)
    expect(store.getState().actionId).toBe('W')
    await user.click(ofFirst)
    expect(store.getState().actionId).toBe('G')
  })
})

describe('the sign convention of end moments', () => {
  const answers: Problem['answers'] = [
    { id: '1', quantity: 'moment', member: 'BC', at: '0%', value: 24 },
    { id: '2', quantity: 'moment', member: 'BC', at: '100%', value: 0 },
  ]
  it('is chosen, kept with the problem, and decides the verdict', async () => {
    const { user, problem } = check({ ...loaded, answers: [{ ...answers[0], value: -24 }, answers[1]] })
    // the moment in the middle is 24 kN·m, clockwise on the start of BC
    expect(screen.getByText('agrees, other sign convention')).toBeTruthy()
    await user.click(screen.getByRole('radio', { name: /forces on the member/ }))
    expect(problem().view?.signs).toMatchObject({ ends: 'member' })
    expect(screen.queryByText('agrees, other sign convention')).toBeNull()
    expect(screen.getByText('2 of 2 agree')).toBeTruthy()
  })
  it('leaves the names of end values as hand solutions write them', () => {
    check({ ...loaded, answers })
    expect(screen.getByRole('row', { name: /^MBC/ })).toBeTruthy()
    expect(screen.getByRole('row', { name: /^MCB/ })).toBeTruthy()
  })
})

describe('the case that the Check opens on', () => {
  const cases = [...loaded.loadCases!, { ...loaded.loadCases![0], id: 'Q' }]
  const answers: Problem['answers'] = [
    { id: '1', quantity: 'reaction', node: 'A', component: 'y', value: 12, case: 'Q' },
  ]
  it('is the only one with values', () => {
    const { store } = check({ ...loaded, loadCases: cases, answers })
    expect(store.getState().actionId).toBe('Q')
  })
  it('stays the first one where both have values', () => {
    const both = [...answers, { ...answers[0], id: '2', case: 'G' }]
    expect(check({ ...loaded, loadCases: cases, answers: both }).store.getState().actionId).toBe('G')
  })
})
