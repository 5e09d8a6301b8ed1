import { screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { unread } from '../../app/sheet/drafts'
import { Symbols } from '../../app/given/Symbols'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const problem = { ...beam, symbols: { w: '12 kN/m' } }

describe('the symbols of a problem', () => {
  it('act with each readable key', async () => {
    const { user, problem: now } = inSheet(problem, <Symbols />)
    const field = screen.getByRole('textbox', { name: 'value of w' })
    await user.clear(field)
    await user.type(field, '2*7 kN/m')
    expect(now().symbols!.w).toBe('2*7 kN/m')
  })
  it('keep a text that cannot be read as a doubt, also when the page is left from the field', async () => {
    const { user, store, unmount, problem: now } = inSheet(problem, <Symbols />)
    const field = screen.getByRole('textbox', { name: 'value of w' })
    await user.clear(field)
    await user.type(field, '12 kNN')
    unmount()
    expect(now().symbols!.w).not.toBe('12 kNN')
    const [draft] = unread(store.getState().drafts, now())
    expect(draft.field).toBe('value of w')
    expect(draft.text).toBe('12 kNN')
    expect(draft.message).not.toBe('')
  })
  it('are renamed wherever they stand', async () => {
    const stated = { ...problem, nodes: problem.nodes.map((n, i) => (i === 1 ? { ...n, x: 'L' } : n)) }
    const { user, problem: now } = inSheet({ ...stated, symbols: { L: '4 m' } }, <Symbols />)
    const name = screen.getByRole('textbox', { name: 'name of symbol L' })
    await user.clear(name)
    await user.type(name, 'span{Enter}')
    expect(now().symbols).toEqual({ span: '4 m' })
    expect(now().nodes[1].x).toBe('span')
  })
  it('say what uses them when they cannot be taken out', async () => {
    const stated = { ...problem, nodes: problem.nodes.map((n, i) => (i === 1 ? { ...n, x: 'L' } : n)) }
    const { user, problem: now } = inSheet({ ...stated, symbols: { L: '4 m' } }, <Symbols />)
    await user.click(screen.getByRole('button', { name: 'Take out symbol L' }))
    expect(screen.getByRole('alert').textContent).toBe('L is used by joint B.')
    expect(now().symbols).toEqual({ L: '4 m' })
  })
  it('take the stated value back with Escape', async () => {
    const { user, store } = inSheet(problem, <Symbols />)
    const field = screen.getByRole('textbox', { name: 'value of w' })
    await user.clear(field)
    await user.type(field, '{Escape}')
    expect(field).toHaveProperty('value', '12 kN/m')
    expect(store.getState().drafts).toEqual({})
  })
})
