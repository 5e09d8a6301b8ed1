import { screen } from '@testing-library/react'
import { edit, type Load } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { LoadFields } from '../../app/given/LoadFields'
import { useEdit, useSheet } from '../../app/sheet/context'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

function Fields() {
  const load = useSheet((s) => s.problem.loadCases![0].loads[0])
  const apply = useEdit()
  return (
    <LoadFields
      name="load 1"
      load={load}
      onChange={(l, merge) => apply('load', (p) => edit.setLoad(p, '1', 0, l), { merge })}
    />
  )
}
const fieldsOf = (load: Load) => {
  const sheet = inSheet({ ...beam, loadCases: [{ id: '1', loads: [load] }] }, <Fields />)
  return { ...sheet, load: () => sheet.problem().loadCases![0].loads[0] }
}

describe('a line of values', () => {
  const trapezoid: Load = {
    type: 'distributed',
    member: 'AB',
    direction: 'Y',
    points: [
      { at: 0, q: -2 },
      { at: '100%', q: -6 },
    ],
  }

  it('has each value with its place; points are added and taken out', async () => {
    const { user, load } = fieldsOf(trapezoid)
    await user.click(screen.getByRole('button', { name: 'One more point of load 1' }))
    const values = screen.getAllByRole('textbox', { name: /^value \d of load 1/ })
    expect(values).toHaveLength(3)
    await user.clear(values[1])
    await user.type(values[1], '9')
    expect(JSON.stringify(load())).toContain('9')
    await user.click(screen.getByRole('button', { name: 'Take out point 2 of load 1' }))
    expect(screen.getAllByRole('textbox', { name: /^value \d of load 1/ })).toHaveLength(2)
  })

  it('acts the way that is chosen: up turns the signs, not the words typed', async () => {
    const { user, load } = fieldsOf(trapezoid)
    await user.selectOptions(screen.getByRole('combobox', { name: 'direction of load 1' }), 'up ↑')
    expect(load()).toMatchObject({ direction: 'Y', points: [{ q: 2 }, { q: 6 }] })
  })

  it('is measured on the projection where it is asked for', async () => {
    const { user, load } = fieldsOf(trapezoid)
    const tick = screen.getByRole('checkbox', { name: 'on the level projection' })
    await user.click(tick)
    expect(load()).toMatchObject({ per: 'projection' })
    await user.click(tick)
    expect(load()).not.toHaveProperty('per')
  })
})

describe('a load of several components', () => {
  it('has each by itself; one that is cleared is left out', async () => {
    const { user, load } = fieldsOf({ type: 'nodal', node: 'B', fx: 3, fy: -8 })
    const x = screen.getByRole('textbox', { name: 'fx of load 1' })
    await user.clear(x)
    expect(load()).toEqual({ type: 'nodal', node: 'B', fy: -8 })
    await user.type(screen.getByRole('textbox', { name: 'm of load 1' }), '4 kN*m')
    expect(load()).toEqual({ type: 'nodal', node: 'B', fy: -8, m: '4 kN*m' })
  })

  it('on a member is stated in its own axes, too', async () => {
    const { user, load } = fieldsOf({ type: 'point', member: 'AB', at: '25%', fx: 2, fy: -8 })
    await user.selectOptions(screen.getByRole('combobox', { name: 'axes of load 1' }), 'member axes')
    expect(load()).toMatchObject({ axes: 'member', fx: 2, fy: -8 })
    const place = screen.getByRole('textbox', { name: 'place of load 1' })
    await user.clear(place)
    await user.type(place, '1.5 m')
    expect(load()).toMatchObject({ at: '1.5 m' })
  })
})

describe('a change of temperature', () => {
  it('has its fields with their units', async () => {
    const { user, load } = fieldsOf({ type: 'temperature', member: 'AB', uniform: 20 })
    const gradient = screen.getByRole('textbox', {
      name: /difference of load 1|gradient of load 1|top of load 1/,
    })
    await user.type(gradient, '10')
    expect(load()).toMatchObject({ type: 'temperature', uniform: 20 })
    expect(Object.values(load())).toContain(10)
  })
})
