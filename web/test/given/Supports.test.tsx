import { act, screen } from '@testing-library/react'
import { createSolver, edit, reactionAt, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Supports } from '../../app/given/Supports'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const at = (p: Problem, node: string) => p.supports?.find((s) => s.node === node)
const twoCases: Problem = {
  ...beam,
  loadCases: [
    { id: 'G', title: 'Dead', loads: [{ type: 'nodal', node: 'B', fy: -8 }] },
    { id: 'S', title: 'Settlement', loads: [] },
  ],
}

describe('the table of supports', () => {
  it('takes a support in one line, and marks what it does not understand', async () => {
    const { user, problem } = inSheet(beam, <Supports />)
    const line = screen.getByRole('textbox', { name: 'joint and kind of a new support' })
    await user.type(line, 'B roller 45{Enter}')
    expect(at(problem(), 'B')).toEqual({ node: 'B', type: 'roller', angle: '45 deg' })
    await user.type(line, 'Q pin{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('Q')
    expect(problem().supports).toHaveLength(3)
  })

  it('becomes another kind and keeps its turn', async () => {
    const { user, problem } = inSheet(beam, <Supports />)
    const turn = screen.getByRole('textbox', { name: 'turn of the support at C' })
    await user.type(turn, '30')
    expect(at(problem(), 'C')).toEqual({ node: 'C', type: 'roller', angle: '30 deg' })
    await user.selectOptions(screen.getByRole('combobox', { name: 'support of C' }), 'pin')
    expect(at(problem(), 'C')).toEqual({ node: 'C', type: 'pin', angle: '30 deg' })
    await user.clear(turn)
    expect(at(problem(), 'C')).toEqual({ node: 'C', type: 'pin' })
  })

  it('makes a direction a spring, then free', async () => {
    const { user, problem } = inSheet(beam, <Supports />)
    await user.click(screen.getByRole('button', { name: 'springs and settlement at C' }))
    const y = await screen.findByRole('combobox', { name: 'y of the support at C' })
    await user.selectOptions(y, 'spring')
    const k = screen.getByRole('textbox', { name: 'spring y at C' })
    await user.clear(k)
    await user.type(k, '2500')
    expect(at(problem(), 'C')?.restrain?.y).toBe(2500)
    await user.selectOptions(y, 'free')
    expect(at(problem(), 'C')?.restrain?.y ?? 'free').toBe('free')
  })

  it('has a settlement that goes down, or the way that is said or chosen', async () => {
    const { user, problem } = inSheet(beam, <Supports />)
    await user.click(screen.getByRole('button', { name: 'springs and settlement at A' }))
    const field = await screen.findByRole('textbox', { name: 'settlement y at A' })
    await user.type(field, '10 mm')
    expect(at(problem(), 'A')?.settlement).toEqual({ y: '-10 mm' })
    const way = screen.getByRole('combobox', { name: 'direction in which A settles, y' })
    await user.selectOptions(way, 'up')
    expect(at(problem(), 'A')?.settlement).toEqual({ y: '10 mm' })
    await user.clear(field)
    await user.type(field, '8 mm down')
    expect(at(problem(), 'A')?.settlement).toEqual({ y: '-8 mm' })
    expect(way).toHaveProperty('value', 'down')
    expect(screen.getByText('x, y; settlement 8 mm down')).toBeTruthy()
  })

  it('takes several supports in one line, and drops a refusal whose cause is gone', async () => {
    const { user, problem, store } = inSheet({ ...beam, supports: [] }, <Supports />)
    const line = screen.getByRole('textbox', { name: 'joint and kind of a new support' })
    await user.type(line, 'A pin, C roller{Enter}')
    expect(problem().supports?.map((s) => `${s.node} ${s.type}`)).toEqual(['A pin', 'C roller'])
    await user.type(line, 'Z fixed{Enter}')
    expect((await screen.findByRole('alert')).textContent).toBe('There is no joint Z.')
    act(() => void store.getState().edit('joint', (p) => edit.addNode(p, 20, 0, 'Z')))
    expect(screen.queryByRole('alert')).toBeNull()
    await user.type(line, '{Enter}')
    expect(at(problem(), 'Z')?.type).toBe('fixed')
    await user.type(line, 'half a line{Escape}')
    expect(line).toHaveProperty('value', '')
  })

  it('settles a held direction in the case that is chosen', async () => {
    const { user, problem } = inSheet(twoCases, <Supports />)
    await user.click(screen.getByRole('button', { name: 'springs and settlement at A' }))
    await user.type(await screen.findByRole('textbox', { name: 'settlement y at A' }), '-12 mm')
    expect(at(problem(), 'A')?.settlement).toEqual({ y: '-12 mm' })
    await user.selectOptions(
      screen.getByRole('combobox', { name: 'case of the settlement at A' }),
      'Settlement',
    )
    expect(at(problem(), 'A')?.settlementCase).toBe('S')
    // a determinate beam takes a settlement without a force
    const solved = createSolver()(problem())
    if (solved.stage !== 'solved') throw new Error('not solved')
    expect(reactionAt(solved.solution, solved.solution.cases[1], 0).y).toBe(0)
  })

  it('is taken out', async () => {
    const { user, problem } = inSheet(beam, <Supports />)
    await user.click(screen.getByRole('button', { name: 'Take out the support of A' }))
    expect(problem().supports?.map((s) => s.node)).toEqual(['C'])
  })
})
