import { screen } from '@testing-library/react'
import { measure, thing, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { GroupEditor } from '../../app/given/GroupEditor'
import { JointEditor } from '../../app/given/JointEditor'
import { structureOf, useSheet } from '../../app/sheet/context'
import { targetOf } from '../../app/sheet/targets'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const loaded: Problem = { ...beam, loadCases: [{ id: '1', loads: [] }] }

describe('the form of a joint', () => {
  it('chooses the support by its symbol, and takes it away', async () => {
    const { user, problem } = inSheet(loaded, <JointEditor id="B" />)
    await user.click(screen.getByRole('button', { name: 'fixed' }))
    expect(problem().supports?.find((s) => s.node === 'B')).toEqual({ node: 'B', type: 'fixed' })
    expect(screen.getByRole('button', { name: 'fixed' }).getAttribute('aria-pressed')).toBe('true')
    await user.click(screen.getByRole('button', { name: 'no support' }))
    expect(problem().supports?.map((s) => s.node)).toEqual(['A', 'C'])
  })

  it('turns a support by quarters and back to none', async () => {
    const { user, problem } = inSheet(loaded, <JointEditor id="C" />)
    const quarter = screen.getByRole('button', { name: /a quarter on/ })
    const angle = () => problem().supports?.find((s) => s.node === 'C')?.angle
    await user.click(quarter)
    expect(angle()).toBe('90 deg')
    await user.click(quarter)
    await user.click(quarter)
    await user.click(quarter)
    expect(angle()).toBeUndefined()
  })

  it('hinges one end, then all of them', async () => {
    const { user, problem } = inSheet(loaded, <JointEditor id="B" />)
    await user.click(screen.getByRole('button', { name: 'AB at B: rigid' }))
    expect(problem().members[0].releases).toEqual({ end: { M: true } })
    await user.click(screen.getByRole('button', { name: 'all hinged' }))
    expect(problem().members[1].releases).toEqual({ start: { M: true } })
    await user.click(screen.getByRole('button', { name: 'all hinged' }))
    expect(problem().members.every((m) => !m.releases?.start?.M && !m.releases?.end?.M)).toBe(true)
  })

  it('puts a moment on the joint, which turns the other way by a press', async () => {
    const { user, problem } = inSheet(loaded, <JointEditor id="B" />)
    await user.type(screen.getByRole('textbox', { name: /^(amount of )?the moment on B$/ }), '12')
    expect(problem().loadCases![0].loads[0]).toMatchObject({ type: 'nodal', node: 'B', m: -12 })
    await user.click(screen.getByRole('button', { name: /sense of the moment on B: clockwise/ }))
    expect(problem().loadCases![0].loads[0]).toMatchObject({ m: 12 })
  })
})

/** The form of what is selected, in a view of 100 px a metre. */
function Group() {
  const structure = useSheet((s) => structureOf(s.outcome))!
  const view = { scale: 100, ox: 100, oy: 400, width: 1200, height: 800 }
  return <GroupEditor structure={structure} view={view} onClose={() => {}} />
}
function group(...things: string[]) {
  const sheet = inSheet(loaded, <Group />)
  sheet.store.getState().select(targetOf(things))
  return sheet
}

describe('the form of several things', () => {
  const both = [thing.member('AB'), thing.member('BC')]

  it('counts what is selected', async () => {
    group(...both, thing.node('A'))
    expect(await screen.findByText('1 joint, 2 members')).toBeTruthy()
  })

  it('gives every member the same load', async () => {
    const { user, problem } = group(...both)
    await user.type(await screen.findByRole('textbox', { name: 'amount of a load on all' }), '6 kN/m')
    await user.click(screen.getByRole('button', { name: 'apply' }))
    const loads = problem().loadCases![0].loads
    expect(loads.map((l) => l.type !== 'nodal' && l.member)).toEqual(['AB', 'BC'])
  })

  it('copies at a step so many times, with what goes along', async () => {
    const { user, problem } = group(...both)
    await user.type(await screen.findByRole('textbox', { name: 'step up' }), '3 m')
    const times = screen.getByRole('textbox', { name: 'number of copies' })
    await user.clear(times)
    await user.type(times, '2')
    await user.click(screen.getByRole('checkbox', { name: 'supports' }))
    await user.click(screen.getByRole('button', { name: 'copy' }))
    expect(problem().nodes).toHaveLength(9)
    expect(problem().supports).toHaveLength(2)
    expect([...measure(problem()).at.values()].map((q) => q.y)).toContain(6)
  })

  it('refuses a copy without a step, and so many copies that nobody counts them', async () => {
    const { user, problem } = group(...both)
    await user.click(await screen.findByRole('button', { name: 'copy' }))
    expect(screen.getByText('Say how far right or up first.')).toBeTruthy()
    await user.type(screen.getByRole('textbox', { name: 'step to the right' }), '8')
    const times = screen.getByRole('textbox', { name: 'number of copies' })
    await user.clear(times)
    await user.type(times, '201')
    await user.click(screen.getByRole('button', { name: 'copy' }))
    expect(screen.getByText('Copies are a whole number from 1 to 200.')).toBeTruthy()
    expect(problem()).toBe(loaded)
  })

  it('moves by an expression and mirrors at its edge', async () => {
    const { user, problem } = group(...both)
    const right = await screen.findByRole('textbox', { name: 'step to the right' })
    await user.type(right, '2*0.5 m')
    await user.click(screen.getByRole('button', { name: 'move' }))
    expect([...measure(problem()).at.values()].map((q) => q.x)).toEqual([1, 5, 9])
    await user.click(screen.getByRole('button', { name: 'left to right' }))
    expect([...measure(problem()).at.values()].map((q) => q.x).sort((a, b) => a - b)).toEqual([
      1, 5, 9, 13, 17,
    ])
  })

  it('selects all members in one line with one of them', async () => {
    const { user, store } = group(thing.member('AB'), thing.node('C'))
    await user.click(await screen.findByRole('button', { name: 'all in one line' }))
    expect(store.getState().selection).toBe(targetOf(both))
  })
})
