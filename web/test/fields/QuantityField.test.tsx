import { screen } from '@testing-library/react'
import { dimension, edit } from '@viga/core'
import { useState } from 'react'
import { describe, expect, it } from 'vitest'
import { QuantityField } from '../../app/fields/QuantityField'
import { useSheet, useSheetStore } from '../../app/sheet/context'
import { beam } from '../problems'
import { inSheet } from '../in-sheet'

function X() {
  const store = useSheetStore()
  const node = useSheet((s) => s.problem.nodes.find((n) => n.id === 'B')!)
  return (
    <QuantityField
      name="x of B"
      value={node.x}
      dimension={dimension.length}
      unit
      onChange={(x, merge) => store.getState().edit('x of B', (p) => edit.setNode(p, 'B', { x }), { merge })}
    />
  )
}

/** The field in a part of the page that is left and opened again. */
function Parts() {
  const [open, setOpen] = useState(true)
  return (
    <>
      <button onClick={() => setOpen(!open)}>another part</button>
      {open && <X />}
    </>
  )
}

describe('a field for a quantity', () => {
  it('keeps what is typed, takes effect with each readable key, and shows what it understood', async () => {
    const { user, problem, container } = inSheet(beam, <X />)
    const field = screen.getByRole('textbox', { name: 'x of B' })
    await user.clear(field)
    await user.type(field, '12*26 in')
    expect(field).toHaveProperty('value', '12*26 in')
    expect(problem().nodes[1].x).toBe('12*26 in')
    expect(container.textContent).toContain('7.9248 m')
  })
  it('gives up, by the key of undo, a text that was typed before it was left and shown anew', async () => {
    const { user, problem, store } = inSheet(beam, <Parts />)
    const field = () => screen.getByRole('textbox', { name: 'x of B' })
    store.getState().edit('x of B', (p) => edit.setNode(p, 'B', { x: '4.5 m' }))
    await user.click(field())
    await user.keyboard('5 m +')
    for (let k = 0; k < 2; k++) await user.click(screen.getByRole('button', { name: 'another part' }))
    expect(field()).toHaveProperty('value', '5 m +')
    await user.click(field())
    await user.keyboard('{Control>}z{/Control}')
    expect(problem().nodes[1].x).toBe('5 m')
    expect(field()).toHaveProperty('value', '5 m')
    expect(store.getState().drafts).toEqual({})
  })
  it('keeps an unreadable text with its sentence, and the last readable value in the problem', async () => {
    const { user, problem } = inSheet(beam, <X />)
    const field = screen.getByRole('textbox', { name: 'x of B' })
    await user.clear(field)
    await user.type(field, '5 kN')
    await user.tab()
    expect(screen.getByRole('alert').textContent).toBe('Expected a length, got a force.')
    expect(field.getAttribute('aria-invalid')).toBe('true')
    expect(field).toHaveProperty('value', '5 kN')
    expect(problem().nodes[1].x).toBe(5)
    await user.click(field)
    await user.keyboard('{Escape}')
    expect(field).toHaveProperty('value', '5')
    expect(screen.queryByRole('alert')).toBeNull()
  })
})

describe('a refused quantity', () => {
  const typed = async (text: string) => {
    const made = inSheet(beam, <X />)
    const field = screen.getByRole('textbox', { name: 'x of B' })
    await made.user.clear(field)
    await made.user.type(field, text)
    return { ...made, field }
  }
  it('offers what may have been meant, each to be pressed', async () => {
    const { user, problem, field } = await typed('1,250')
    await user.click(screen.getByRole('button', { name: /^1\.250/ }))
    expect(field).toHaveProperty('value', '1.250')
    expect(problem().nodes[1].x).toBe('1.250')
    expect(screen.queryByRole('alert')).toBeNull()
  })
  it('takes the first of it by Alt Enter', async () => {
    const { user, problem } = await typed('4,5 m')
    await user.keyboard('{Alt>}{Enter}{/Alt}')
    expect(problem().nodes[1].x).toBe('4.5 m')
  })
  it('has nothing to offer for a text that could mean anything', async () => {
    await typed('4 kN')
    expect(screen.queryByRole('button')).toBeNull()
  })
})
