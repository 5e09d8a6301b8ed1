import { screen, within } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import { influenceView, keepInfluence, type Problem } from '@viga/core'
import { Results } from '../../app/results/Results'
import { beam } from '../problems'
import { inSheet } from '../in-sheet'

/** The influence view of a problem. */
function influence(problem: Problem) {
  const Stub = createRoutesStub([{ path: '/problems/:problemId/results/:view?', Component: Results }])
  return inSheet(problem, <Stub initialEntries={['/problems/p/results/influence']} />)
}
const rows = async (name: string) =>
  within(await screen.findByRole('table', { name }))
    .getAllByRole('row')
    .map((r) => r.textContent)

const simple = (): Problem => ({ ...beam, view: {} })

describe('influence lines', () => {
  it('of a moment have their peak, its place and the areas', async () => {
    influence(keepInfluence(simple(), { of: { quantity: 'moment', member: 'AB', at: '50%' } }))
    // 2·6/8 at 2 m of a beam of 8 m, a triangle over all of it
    const [, greatest, least] = await rows('Values of the influence line')
    expect([greatest, least]).toEqual(['greatest1.500AB at 2.0006.000', 'least00'])
  })

  it('take a uniform load and a train, keep them, and say why one cannot be read', async () => {
    const p = simple()
    const { user, problem } = influence(p)
    const load = await screen.findByRole('textbox', { name: 'uniform load that may stand anywhere' })
    await user.type(load, '5 kN/m')
    expect((await rows('Worst places of the uniform load'))[0]).toBe('greatest30.00 kN·mA to C')
    const train = screen.getByRole('textbox', { name: 'train of loads' })
    await user.type(train, '80 kN, 2 m, 80 kN')
    const [worst] = await rows('Worst places of the train')
    expect(worst).toMatch(/^greatest200.0 kN·m/)
    expect(influenceView(problem())).toMatchObject({ load: '5 kN/m', train: '80 kN, 2 m, 80 kN' })
    await user.type(train, ',')
    expect(await screen.findByText(/Loads and spacings stand in turn/)).toBeTruthy()
    expect(influenceView(problem()).train).toBe('80 kN, 2 m, 80 kN')
  })

  it('say why a quantity has none, and refuse a member that is not there', async () => {
    const p = simple()
    const [first] = p.members
    const { user } = influence(
      keepInfluence(p, { of: { quantity: 'maximum', of: 'moment', member: first.id } }),
    )
    expect((await screen.findByRole('alert')).textContent).toMatch(/moves with the force/)
    const along = screen.getByRole('textbox', { name: 'members along which the force moves' })
    await user.type(along, 'nowhere')
    expect(await screen.findByText('There is no member nowhere.')).toBeTruthy()
  })
})
