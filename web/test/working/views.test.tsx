import { screen, waitForElementToBeRemoved, within } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { createRoutesStub } from 'react-router'
import { beforeAll, describe, expect, it } from 'vitest'
import { ByHand } from '../../app/working/by-hand-view'
import { OWN_VIEWS } from '../../app/working/own-views'
import { fetchAll } from '../../app/widgets/later'
import { Working } from '../../app/working/Working'
import { named } from '../demo'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const loaded: Problem = {
  ...beam,
  loadCases: [{ id: 'G', loads: [{ type: 'nodal', node: 'B', fy: -8 }] }],
}

/** The Working of a problem at one of its steps. */
function working(problem: Problem, step = 'idealisation') {
  const Stub = createRoutesStub([
    { path: '/problems/:problemId/working/:method?/:step?', Component: Working },
  ])
  return inSheet(problem, <Stub initialEntries={[`/problems/p/working/${step}`]} />)
}
const matrix = (name: string) => screen.findByRole('table', { name })
const entries = (t: HTMLElement) =>
  [...t.querySelectorAll('tbody tr')].map((r) => [...r.querySelectorAll('td')].map((c) => c.textContent))

beforeAll(() => fetchAll(...OWN_VIEWS, ByHand))

describe('the steps of the working', () => {
  it('are numbered, and the one that is read is marked', async () => {
    const { user } = working(loaded)
    const steps = screen.getByRole('navigation', { name: 'Steps of the working' })
    await user.click(within(steps).getByRole('link', { name: /Assembly/ }))
    expect(within(steps).getByRole('link', { current: 'step' }).textContent).toMatch(/5 Assembly/)
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Assembly')
  })

  it('lead on and back at the foot', async () => {
    const { user } = working(loaded, 'loads')
    await user.click(screen.getByRole('link', { name: /Assembly ⟶/ }))
    await user.click(await screen.findByRole('link', { name: /⟵ Loads/ }))
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Loads/)
  })
})

describe('a factor that every member shares', () => {
  it('is proposed where matrices are written, and taken out at a press', async () => {
    const { user, problem } = working(loaded, 'stiffness')
    await user.click(await screen.findByRole('button', { name: /^Take EI\S* out of the matrices$/ }))
    expect(problem().view?.reading).toMatchObject({ factor: 'common' })
    expect(screen.queryByRole('button', { name: /^Take EI/ })).toBeNull()
  })
})

describe('a matrix too wide for the Sheet', () => {
  it('is seen over the whole width, and one of its entries opened from there', async () => {
    const { user } = working(named('palm-house'), 'assembly')
    const [press] = await screen.findAllByRole('button', { name: /over the whole width$/ })
    await user.click(press)
    const dialog = await screen.findByRole('dialog')
    await user.click(within(dialog).getAllByRole('cell')[0])
    await waitForElementToBeRemoved(dialog)
    expect(await screen.findByText(/added into K|sum of/)).toBeTruthy()
  })
})

describe('the numbering of the unknowns', () => {
  it('follows the choice, in the document and in the marks', async () => {
    const { user, problem } = working(named('palm-house'), 'unknowns')
    await user.click(screen.getByRole('radio', { name: 'joint by joint' }))
    expect(problem().view?.numbering).toBe('by-joint')
    await user.click(screen.getByRole('radio', { name: 'free ones first' }))
    expect(problem().view?.numbering).toBeUndefined()
  })

  it('is one’s own, each number once, within the count', async () => {
    const { user } = working(loaded, 'unknowns')
    await user.click(screen.getByRole('radio', { name: 'as I say' }))
    const [first] = await screen.findAllByRole<HTMLInputElement>('textbox', { name: /^number of / })
    await user.clear(first)
    await user.type(first, '99{Enter}')
    expect((await screen.findByRole('alert')).textContent).toMatch(/A number from 1 to \d+\./)
    await user.clear(first)
    await user.type(first, '2{Enter}')
    const all = screen
      .getAllByRole<HTMLInputElement>('textbox', { name: /^number of / })
      .map((f) => Number(f.value))
    expect([...all].sort((a, b) => a - b)).toEqual(all.map((_, i) => i + 1))
  })

  it('leaves axial unknowns of a beam out where only bending is asked for', async () => {
    const { user, problem } = working(loaded, 'unknowns')
    const tick = screen.getByRole('checkbox', { name: /bending only/ })
    const before = (tick as HTMLInputElement).checked
    await user.click(tick)
    expect(problem().view?.bendingOnly ?? false).toBe(!before)
  })
})

describe('the assembly', () => {
  it('has K symmetric, grows member by member, and is whole after the last', async () => {
    const { user } = working(loaded, 'assembly')
    const whole = entries(await matrix('stiffness of the whole structure'))
    expect(whole.map((r, i) => r.map((_, j) => whole[j][i]))).toEqual(whole)
    await user.click(screen.getByRole('checkbox', { name: /as it grows/ }))
    expect(entries(await matrix('stiffness of the whole structure'))).not.toEqual(whole)
    await user.click(screen.getByRole('button', { name: 'one on' }))
    expect(entries(await matrix('stiffness of the whole structure'))).toEqual(whole)
  })

  it('says of an entry what it is the sum of, and opens where it came from', async () => {
    const { user } = working(loaded, 'assembly')
    expect(screen.getByText(/Choose an entry/)).toBeTruthy()
    const K = await matrix('stiffness of the whole structure')
    const cell = [...K.querySelectorAll('td')].find((c) => !c.classList.contains('zero'))!
    await user.hover(cell)
    expect(screen.getByText(/while every other unknown is held/)).toBeTruthy()
    await user.click(cell)
    const derivation = await screen.findByRole('region', { name: 'Where this number came from' })
    expect(within(derivation).getAllByRole('listitem').length).toBeGreaterThan(0)
    await user.keyboard('{Escape}')
    expect(screen.queryByRole('region', { name: 'Where this number came from' })).toBeNull()
  })

  it('is walked by the arrow keys, and Enter opens an entry', async () => {
    const { user } = working(loaded, 'assembly')
    screen.getByRole('group', { name: /^stiffness of the whole structure/ }).focus()
    await user.keyboard('{ArrowRight}{ArrowRight}{ArrowDown}{Enter}')
    expect(await screen.findByRole('region', { name: 'Where this number came from' })).toBeTruthy()
  })
})

describe('the elimination', () => {
  it('goes on and back one pivot at a time, and ends with the displacements', async () => {
    const { user } = working(named('palm-house'), 'solution')
    const part = await screen.findByRole('region', { name: 'Elimination' })
    const head = () => part.querySelector('.matrix-head span')!.textContent
    expect(head()).toContain('The equations')
    await user.click(within(part).getByRole('button', { name: 'eliminate' }))
    expect(head()).toMatch(/^After step 1 of /)
    expect(within(part).getByText(/clears the column of/)).toBeTruthy()
    await user.click(within(part).getByRole('button', { name: 'back' }))
    expect(head()).toContain('The equations')
    await user.click(within(part).getByRole('button', { name: 'to the end' }))
    const back = within(part).getByRole('table', { name: 'back-substitution' })
    expect(within(back).getAllByRole('row').length).toBeGreaterThan(0)
  })

  it('gives way to another way by hand', async () => {
    const { user, problem } = working(loaded, 'solution')
    const ways = screen.getByRole('radiogroup', { name: 'By hand' })
    const [, second] = within(ways).getAllByRole('radio')
    await user.click(second)
    expect(problem().view?.byHand).toBeTruthy()
    expect(screen.queryByRole('region', { name: 'Elimination' })).toBeNull()
  })
})

describe('how numbers are read', () => {
  it('is chosen once, for every step, and kept with the problem', async () => {
    const { user, problem } = working(loaded, 'stiffness')
    await user.selectOptions(screen.getByRole('combobox', { name: 'figures' }), '3 figures')
    expect(problem().view?.reading).toMatchObject({ figures: 3 })
    await user.click(screen.getByRole('checkbox', { name: /power of ten/ }))
    expect(problem().view?.reading).toMatchObject({ figures: 3, power: false })
  })
})

describe('a working without a solution', () => {
  it('of an empty problem sends to the Given, at every step', () => {
    const empty = { ...loaded, nodes: [], members: [], supports: [], loadCases: [{ id: 'G', loads: [] }] }
    working(empty, 'solution')
    expect(screen.getByText(/Nothing is stated yet/)).toBeTruthy()
    expect(screen.queryByRole('heading', { level: 1 })).toBeNull()
  })
  it('says what is missing and where it is stated', () => {
    working({ ...loaded, supports: [] })
    expect(screen.queryByRole('heading', { level: 1, name: 'Idealisation' })).toBeNull()
    expect(document.body.textContent).toMatch(/support|mechanism|free to move/i)
  })
})
