import { screen, within } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Combinations } from '../../app/given/Combinations'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const cases: Problem = {
  ...beam,
  loadCases: [
    { id: 'D', category: 'dead', loads: [{ type: 'nodal', node: 'B', fy: -8 }] },
    { id: 'L', category: 'live', loads: [{ type: 'nodal', node: 'B', fy: -3 }] },
  ],
}
const combined: Problem = { ...cases, combinations: [{ id: 'U', factors: { D: 1.2 } }] }

describe('combinations', () => {
  it('are not offered while there is one case', () => {
    inSheet(beam, <Combinations />)
    expect(screen.queryByRole('button', { name: 'combine cases' })).toBeNull()
  })

  it('have a factor a case, typed with arithmetic; what is no number is refused', async () => {
    const { user, problem } = inSheet(combined, <Combinations />)
    const live = screen.getByRole('textbox', { name: 'factor of L in U' })
    await user.type(live, '1.6*0.9{Enter}')
    expect(problem().combinations![0].factors.L).toBeCloseTo(1.44, 12)
    await user.clear(live)
    await user.type(live, '1.6 kN{Enter}')
    expect(await screen.findByRole('alert')).toBeTruthy()
    expect(problem().combinations![0].factors.L).toBeCloseTo(1.44, 12)
  })

  it('name what is blank, which counts as 0 until a 0 says so', async () => {
    const { user } = inSheet(combined, <Combinations />)
    expect(screen.getByText(/U has a factor blank, which counts as 0/)).toBeTruthy()
    await user.type(screen.getByRole('textbox', { name: 'factor of L in U' }), '0{Enter}')
    expect(screen.queryByText(/factor blank/)).toBeNull()
  })

  it('are renamed, but not to the name of a case', async () => {
    const { user, problem } = inSheet(combined, <Combinations />)
    const label = screen.getByRole('textbox', { name: 'label of combination U' })
    await user.clear(label)
    await user.type(label, 'D{Enter}')
    expect((await screen.findByRole('alert')).textContent).toBe('There is a case or combination D already.')
    await user.clear(label)
    await user.type(label, 'ULS{Enter}')
    expect(problem().combinations!.map((c) => c.id)).toEqual(['ULS'])
  })

  it('are for strength or for service', async () => {
    const { user, problem } = inSheet(combined, <Combinations />)
    const purpose = screen.getByRole('combobox', { name: 'purpose of U' })
    await user.selectOptions(purpose, 'service')
    expect(problem().combinations![0].purpose).toBe('service')
    await user.selectOptions(purpose, 'any')
    expect(problem().combinations![0].purpose).toBeUndefined()
  })

  it('come from a published list, shown before it is taken, and once', async () => {
    const { user, problem } = inSheet(cases, <Combinations />)
    const lists = screen.getByRole('combobox', { name: 'Published list of combinations' })
    const [, first] = within(lists).getAllByRole<HTMLOptionElement>('option')
    await user.selectOptions(lists, first.value)
    await user.click(screen.getByRole('button', { name: /^add \d+: / }))
    const made = problem().combinations!
    expect(made.some((c) => c.factors.D === 1.4 || c.factors.D === 1.35 || c.factors.D === 1.2)).toBe(true)
    await user.selectOptions(lists, first.value)
    expect(screen.getByText(/All of its combinations are here already/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'take all out' }))
    expect(problem().combinations ?? []).toEqual([])
  })
})
