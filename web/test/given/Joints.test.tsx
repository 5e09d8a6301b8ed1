import { act, screen } from '@testing-library/react'
import { measure, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Joints } from '../../app/given/Joints'
import { keepLeft } from '../../app/sheet/left-rows'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const table = (problem: Problem = beam) => inSheet(problem, <Joints onStart={() => {}} />)
const place = (p: Problem, id: string) => measure(p).at.get(id)!

describe('the table of joints', () => {
  it('takes a joint under the next free letter: x, tab, y, enter', async () => {
    const { user, problem } = table()
    await user.type(screen.getByRole('textbox', { name: 'x of a new joint' }), '12 m')
    await user.tab()
    await user.keyboard('3*0.5{Enter}')
    expect(place(problem(), 'D')).toEqual({ x: 12, y: 1.5 })
    expect(screen.getByRole('textbox', { name: 'x of a new joint' })).toHaveProperty('value', '')
  })

  it('keeps what cannot be read, with its sentence', async () => {
    const { user, problem } = table()
    await user.type(screen.getByRole('textbox', { name: 'x of a new joint' }), '12 kN')
    await user.type(screen.getByRole('textbox', { name: 'y of a new joint' }), '1{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('length')
    expect(screen.getByRole('textbox', { name: 'x of a new joint' })).toHaveProperty('value', '12 kN')
    expect(problem()).toBe(beam)
  })

  it('says why under the field that is meant', async () => {
    const { user } = table()
    const x = screen.getByRole('textbox', { name: 'x of a new joint' })
    await user.type(x, '2L')
    await user.type(screen.getByRole('textbox', { name: 'y of a new joint' }), '1{Enter}')
    expect((await screen.findByRole('alert')).closest('td')).toBe(x.closest('td'))
  })

  it('keeps the rows of a paste that it did not understand, to be mended in place', async () => {
    const { user, store, problem } = table()
    act(() => keepLeft(store, 'joints', [{ cells: ['E', '12 kN', '3'], message: '' }]))
    const row = screen.getByRole('textbox', { name: 'row 1 that was not understood' })
    expect(row).toHaveProperty('value', 'E; 12 kN; 3')
    expect(screen.getByRole('alert').textContent).toContain('Expected a length')
    await user.clear(row)
    await user.type(row, 'E; 12 m; 3{Enter}')
    expect(place(problem(), 'E')).toEqual({ x: 12, y: 3 })
    expect(screen.queryByRole('textbox', { name: 'row 1 that was not understood' })).toBeNull()
  })

  it.each([
    ['from B: 1.5, 2', { x: 5.5, y: 2 }],
    ['from A: 5 at 90', { x: 0, y: 5 }],
  ])('takes a joint stated by another: %s', async (text, expected) => {
    const { user, problem } = table()
    await user.type(screen.getByRole('textbox', { name: 'joint stated by others' }), `${text}{Enter}`)
    const { x, y } = place(problem(), 'D')
    expect(x).toBeCloseTo(expected.x, 9)
    expect(y).toBeCloseTo(expected.y, 9)
  })

  it('leaves the other fields of a row alone when one of them is edited', async () => {
    const { user, problem } = table()
    const field = (name: string) => screen.getByRole('textbox', { name })
    await user.click(field('x of C'))
    const touched = new Set<string | null>()
    const watch = new MutationObserver((changes) => {
      for (const { target } of changes)
        if (target instanceof HTMLInputElement) touched.add(target.getAttribute('aria-label'))
    })
    watch.observe(document.body, { subtree: true, attributes: true })
    await user.keyboard('15')
    expect(place(problem(), 'C').x).toBe(15)
    expect([...touched]).toEqual(['x of C'])
    watch.disconnect()
  })

  it('says how such a joint is written', async () => {
    const { user } = table()
    await user.type(screen.getByRole('textbox', { name: 'joint stated by others' }), 'somewhere{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('Write from A: 3, 2')
  })

  it('renames one joint wherever it is named, and all of them at once', async () => {
    const { user, problem } = table()
    const label = screen.getByRole('textbox', { name: 'label of joint C' })
    await user.clear(label)
    await user.type(label, 'K{Enter}')
    expect(problem().supports?.map((s) => s.node)).toEqual(['A', 'K'])
    expect(problem().members.map((m) => m.end)).toEqual(['B', 'K'])
    await user.selectOptions(screen.getByRole('combobox', { name: 'name all joints' }), 'numbers place')
    expect(problem().nodes.map((n) => n.id)).toEqual(['1', '2', '3'])
    expect(problem().supports?.map((s) => s.node)).toEqual(['1', '3'])
  })

  it('has a grid of bays, and refuses one that is none', async () => {
    const { user, problem } = table()
    await user.click(screen.getByRole('button', { name: 'grid of bays' }))
    const across = screen.getByRole('textbox', { name: 'grid across' })
    await user.type(across, '3@{Enter}')
    expect(await screen.findByRole('alert')).toBeTruthy()
    expect(problem().view?.grid).toBeUndefined()
    await user.clear(across)
    await user.type(across, '3@4, 5.5{Enter}')
    expect(problem().view?.grid).toMatchObject({ across: '3@4, 5.5' })
  })

  it('takes a joint out with what stands on it', async () => {
    const { user, problem } = table()
    await user.click(screen.getByRole('button', { name: 'Take out joint C' }))
    expect(problem().nodes.map((n) => n.id)).toEqual(['A', 'B'])
    expect(problem().members.map((m) => m.id)).toEqual(['AB'])
    expect(problem().supports?.map((s) => s.node)).toEqual(['A'])
  })
})
