import { screen } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { MemberEditor } from '../../app/given/MemberEditor'
import { inSheet } from '../in-sheet'

const problem: Problem = {
  format: 'viga-problem',
  version: 1,
  title: 'A beam with a hinge',
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  materials: [{ id: 'm', E: 2e8 }],
  sections: [{ id: 's', A: 0.01, I: 1e-4 }],
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 4, y: 0 },
  ],
  members: [{ id: 'AB', start: 'A', end: 'B', material: 'm', section: 's', releases: { end: { M: true } } }],
  supports: [
    { node: 'A', type: 'fixed' },
    { node: 'B', type: 'roller' },
  ],
  loadCases: [{ id: 'D', loads: [{ type: 'point', member: 'AB', at: 1, fy: -8 }] }],
}

describe('the form of a member', () => {
  it('turns it round in one step: load and hinge stay where they are, the selection follows', async () => {
    const { store, user, problem: now } = inSheet(problem, <MemberEditor id="AB" />)
    store.getState().select('member:AB')
    await user.click(screen.getByRole('button', { name: 'start ⇄ end' }))
    expect(now().members[0]).toMatchObject({ id: 'BA', start: 'B', releases: { start: { M: true } } })
    expect(now().loadCases![0].loads[0]).toMatchObject({ member: 'BA', at: 3, fy: -8 })
    expect(store.getState().selection).toBe('member:BA')
    store.getState().undo()
    expect(now()).toEqual(problem)
    expect(store.getState().selection).toBe('member:AB')
  })
})
