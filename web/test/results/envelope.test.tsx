import { act, screen, within } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it, vi } from 'vitest'
import { displayOf, envelopeOf, signsOf, work, type Problem } from '@viga/core'
import { Results } from '../../app/results/Results'
import { doJob } from '../../app/sheet/envelope-jobs'
import { envelopeLater } from '../../app/sheet/envelope-later'
import { demo } from '../demo'
import { inSheet } from '../in-sheet'

vi.mock('../../app/sheet/envelope-later', { spy: true })

const palmHouse = demo.find(([f]) => f.includes('palm-house'))![1]

/** The palm house with so many combinations that its envelope is made by and by. */
const many: Problem = {
  ...palmHouse,
  combinations: Array.from({ length: 150 }, (_, i) => ({
    id: `C${i}`,
    factors: { [palmHouse.loadCases![0].id]: 1 + i / 100 },
  })),
}

function solved(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('the palm house is solved')
  return outcome.solution
}

function results(problem: Problem, at: string) {
  const Stub = createRoutesStub([{ path: '/problems/:problemId/results/:view?', Component: Results }])
  return inSheet(problem, <Stub initialEntries={[`/problems/p/results${at}`]} />)
}

describe('the envelope of many cases', () => {
  it('comes by and by, names what governs, and is handed to the Figure', async () => {
    const { user, store } = results(many, '/envelope')
    await screen.findByRole('checkbox', { name: 'C149' })
    const members = await screen.findByRole('region', { name: 'Members' })
    expect(members.textContent).toContain('C149')
    await expect.poll(() => store.getState().curves).not.toBeNull()
    const { curves, outcome } = store.getState()
    if (outcome.stage !== 'solved') throw new Error('it is solved')
    expect(curves!.solution).toBe(outcome.solution)
    expect(curves!.envelope.by).toHaveLength(150 + many.loadCases!.length)
    await user.click(screen.getByRole('checkbox', { name: 'C149' }))
    const without = await screen.findByRole('region', { name: 'Members' })
    expect(without.textContent).toContain('C148')
    expect(without.textContent).not.toContain('C149')
    await expect.poll(() => store.getState().curves?.envelope.by).not.toContain('C149')
  })

  it('follows the diagram that the Figure shows', async () => {
    const { store } = results(many, '/envelope')
    await screen.findByRole('region', { name: 'Members' })
    act(() => store.getState().show('results', { diagram: 'V' }))
    await expect.poll(() => store.getState().curves?.envelope.key).toBe('V')
  })

  it.each([
    ['at once', palmHouse],
    ['by and by', many],
  ])('is drawn beside any view while its layer is on, %s', async (_, problem) => {
    const { store } = results(problem, '')
    await screen.findByRole('region', { name: 'Reactions' })
    expect(store.getState().curves).toBeNull()
    act(() => store.getState().show('results', { envelope: true, diagram: 'V' }))
    await expect.poll(() => store.getState().curves?.envelope.key).toBe('V')
    act(() => store.getState().show('results', { envelope: false }))
    expect(store.getState().curves).toBeNull()
  })

  it('is a table too, whole when it is there', async () => {
    const { user } = results(many, '/tables')
    await user.click(await screen.findByRole('button', { name: 'Envelope of all cases' }))
    await user.click(screen.getByRole('button', { name: 'Displacements' }))
    const table = await screen.findByRole('table', { name: 'Displacements' })
    expect(within(table).getAllByText('C149').length).toBeGreaterThan(0)
  })
})

describe('what is made of many cases', () => {
  it('is on its way before the link to it is pressed, and is not made twice', async () => {
    const { user, store } = results(many, '')
    const ask = vi.mocked(envelopeLater).mockClear()
    await screen.findByRole('link', { name: 'Envelope' })
    await expect.poll(() => ask.mock.calls.map(([, , name]) => name)).toEqual(['curves', 'tables'])
    const [ahead] = ask.mock.results
    await user.click(screen.getByRole('link', { name: 'Envelope' }))
    await screen.findByRole('region', { name: 'Members' })
    await expect.poll(() => store.getState().curves?.envelope).toBe(await ahead.value)
  })

  it('keeps the last few of what was asked for', async () => {
    const solution = solved(many)
    const all = [...solution.cases, ...solution.combinations]
    const over = (n: number) => envelopeLater(many, solution, 'curves', all.slice(0, n), { key: 'N' })
    const first = over(1)
    expect(over(1)).toBe(first)
    for (let n = 2; n < 9; n++) void over(n)
    const again = over(1)
    expect(again).not.toBe(first)
    expect(await again).toEqual(await first)
  })

  it('is the same later as at once', async () => {
    const solution = solved(many)
    const { cases, combinations } = solution
    const actions = [...cases, ...combinations].slice(0, 3)
    const later = await envelopeLater(many, solution, 'curves', actions, { key: 'M' })
    expect(later).toEqual(envelopeOf(solution, actions, 'M'))
    const input = { keys: ['reactions' as const], display: displayOf(many), signs: signsOf(many) }
    const [reactions] = doJob('tables', solution, actions, input)
    expect(reactions.columns.map((c) => c.key)).toContain('case')
    expect(await envelopeLater(many, solution, 'tables', actions, input)).toEqual([reactions])
  })
})
