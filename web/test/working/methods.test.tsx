import { screen, within } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { beforeAll, describe, expect, it } from 'vitest'
import { edit, methodChoices, type Problem } from '@viga/core'
import { OWN_VIEWS } from '../../app/working/own-views'
import { fetchAll } from '../../app/widgets/later'
import { Working } from '../../app/working/Working'
import { named } from '../demo'
import { inSheet } from '../in-sheet'

/** The Working of a problem by a method. */
function working(problem: Problem, address: string) {
  const Stub = createRoutesStub([
    { path: '/problems/:problemId/working/:method?/:step?', Component: Working },
  ])
  return inSheet(problem, <Stub initialEntries={[`/problems/p/working/${address}`]} />)
}

beforeAll(() => fetchAll(...OWN_VIEWS))

const portal = named('palm-house')

describe('the choice of a method', () => {
  it('offers the methods, and says of those that do not fit why', async () => {
    const { user } = working(portal, 'stiffness/unknowns')
    await user.click(screen.getByRole('button', { name: 'Method: Stiffness method' }))
    expect(await screen.findByRole('menuitem', { name: /^Method of joints.*bend/ })).toBeTruthy()
    await user.click(screen.getByRole('menuitem', { name: /^Moment distribution.*changes its length/ }))
    expect(await screen.findByRole('heading', { name: 'Moment distribution' })).toBeTruthy()
  })

  it('makes a method fit at one press', async () => {
    const { user, problem } = working(portal, 'moment-distribution/factors')
    await user.click(await screen.findByRole('button', { name: 'Neglect axial deformation' }))
    expect(problem().analysis?.neglectAxial).toBe(true)
    expect(await screen.findByRole('heading', { level: 1, name: 'Stiffness and distribution' })).toBeTruthy()
  })

  it('writes the distribution as a table, which ends with the sums', async () => {
    working(edit.setNeglectAxial(portal, true), 'moment-distribution/distribution')
    const [table] = await screen.findAllByRole('table')
    const rows = [...table.querySelectorAll('tbody tr')].map((r) => r.firstElementChild?.textContent)
    expect(rows.slice(0, 4)).toEqual(['factor', 'fixed end', 'balance', 'carry over'])
    expect(rows.slice(-2)).toEqual(['further rounds', 'sum'])
  })

  it('has no choices of matrices where none are written', async () => {
    working(edit.setNeglectAxial(portal, true), 'slope-deflection/unknowns')
    expect(await screen.findByRole('combobox', { name: 'figures' })).toBeTruthy()
    expect(screen.queryByRole('combobox', { name: 'factor taken out' })).toBeNull()
  })
})

describe('what a method asks', () => {
  it('redundants are exchanged, refused where a mechanism is left, and proposed again', async () => {
    const { user, problem } = working(named('rill-bridge'), 'forces/redundants')
    const choice = await screen.findByRole('combobox', { name: 'Redundant 1' })
    await user.selectOptions(choice, 'the moment of BC at its start, sagging')
    expect(methodChoices(problem()).redundants).toMatchObject([{ quantity: 'moment', member: 'BC' }])
    expect(await screen.findByText('X₁ is the moment of BC at its start, sagging.')).toBeTruthy()
    await user.selectOptions(screen.getByRole('combobox', { name: 'Redundant 1' }), 'the reaction of A in x')
    expect(await screen.findByRole('alert')).toHaveProperty(
      'textContent',
      'With the reaction of A in x let go, what is left would be a mechanism.',
    )
    await user.click(screen.getByRole('button', { name: 'propose' }))
    expect(methodChoices(problem()).redundants).toBeUndefined()
  })

  it('the displacement of the unit load is chosen', async () => {
    const { user, problem } = working(named('orangery'), 'unit-load/real')
    await user.selectOptions(await screen.findByRole('combobox', { name: /^Joint whose/ }), 'C')
    await user.selectOptions(screen.getByRole('combobox', { name: /^Direction/ }), 'to the right')
    expect(methodChoices(problem()).of).toEqual({ quantity: 'displacement', node: 'C', component: 'x' })
    expect(await screen.findByText(/Sought is the displacement of C to the right/)).toBeTruthy()
  })

  it('a unit load takes the forces of an indeterminate problem from the results when told to', async () => {
    const { user } = working(named('potting-yard'), 'unit-load/real')
    await user.click(await screen.findByRole('button', { name: 'Take the internal forces from the results' }))
    expect(await screen.findByRole('heading', { level: 1, name: 'Real loads' })).toBeTruthy()
  })

  it('the rounds of moment distribution end at the chosen digit', async () => {
    const { user, problem } = working(named('potting-yard'), 'moment-distribution/distribution')
    const rows = () => screen.getAllByRole('table')[0].querySelectorAll('tbody tr').length
    const choice = await screen.findByRole('combobox', { name: 'Rounds end below' })
    await screen.findAllByRole('table')
    const proposed = rows()
    await user.selectOptions(choice, '0.001 kN·m')
    expect(methodChoices(problem()).digit).toBe(0.001)
    expect(rows()).toBeGreaterThan(proposed)
    await user.selectOptions(screen.getByRole('combobox', { name: 'Rounds end below' }), '10 kN·m')
    expect(rows()).toBeLessThan(proposed)
  })
})

describe('lines that say the same by another method', () => {
  it('lead to each other: fixed-end moments of moment distribution and of the stiffness method', async () => {
    const { user } = working(named('potting-yard'), 'moment-distribution/fixed-end')
    await screen.findByRole('heading', { level: 1, name: /^Fixed-end moments/ })
    const [first] = [...document.querySelectorAll<HTMLElement>('.lines .num')]
    await user.click(first)
    const opened = () => screen.findByRole('region', { name: 'Where this number came from' })
    await user.click(await within(await opened()).findByRole('link', { name: 'stiffness method' }))
    expect(await screen.findByRole('heading', { level: 1, name: /^Loads/ })).toBeTruthy()
    expect(await within(await opened()).findByRole('link', { name: 'moment distribution' })).toBeTruthy()
  })
})
