import { act, screen, within } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { DrawnByHand } from '../../app/check/DrawnByHand'
import { NewAnswer } from '../../app/check/NewAnswer'
import { PasteValues } from '../../app/check/PasteValues'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

/** A force of 8 kN in the middle of 8 m: 4 kN at each support, 16 kN·m under it. */
const loaded: Problem = {
  ...beam,
  loadCases: [{ id: 'G', loads: [{ type: 'nodal', node: 'B', fy: -8 }] }],
}
const twoCases: Problem = {
  ...loaded,
  loadCases: [...loaded.loadCases!, { id: 'S', loads: [{ type: 'nodal', node: 'B', fy: -3 }] }],
}

describe('one more hand value', () => {
  const field = () => screen.getByRole('textbox', { name: 'your value' })

  it('is of the quantity and the place that are chosen', async () => {
    const { user, problem } = inSheet(loaded, <NewAnswer />)
    await user.selectOptions(screen.getByRole('combobox', { name: 'quantity' }), 'moment')
    await user.selectOptions(screen.getByRole('combobox', { name: 'member' }), 'in AB')
    const place = screen.getByRole('textbox', { name: 'place' })
    await user.clear(place)
    await user.type(place, '100%{Enter}')
    await user.type(field(), '16{Enter}')
    expect(problem().answers).toEqual([
      expect.objectContaining({ quantity: 'moment', member: 'AB', at: '100%', value: 16 }),
    ])
    expect(field()).toHaveProperty('value', '')
  })

  it('keeps what was typed where it is refused, with the sentence', async () => {
    const { user, problem } = inSheet(loaded, <NewAnswer />)
    await user.click(screen.getByRole('button', { name: 'Check it' }))
    expect((await screen.findByRole('alert')).textContent).toBe('Type the value you found.')
    await user.type(field(), '4 kg{Enter}')
    expect(screen.getByRole('alert').textContent).toBe('Expected a force, got a mass.')
    expect(field()).toHaveProperty('value', '4 kg')
    expect(problem().answers ?? []).toEqual([])
  })

  it('has its note with it', async () => {
    const { user, problem } = inSheet(loaded, <NewAnswer />)
    await user.type(screen.getByRole('textbox', { name: 'note to your value' }), 'by ΣM about C')
    await user.type(field(), '4 up{Enter}')
    expect(problem().answers![0]).toMatchObject({ note: 'by ΣM about C' })
  })

  it('is of the case that is shown, where there are several', async () => {
    const { user, problem, store } = inSheet(twoCases, <NewAnswer />)
    act(() => store.getState().chooseAction('S'))
    await user.type(field(), '1.5{Enter}')
    expect(problem().answers![0]).toMatchObject({ case: 'S' })
  })

  it('takes its place from a press on the Figure, and the focus', async () => {
    const { user, problem, store } = inSheet(loaded, <NewAnswer />)
    act(() => store.setState({ asked: { quantity: 'reaction', node: 'C', component: 'y' } }))
    expect(document.activeElement).toBe(field())
    await user.keyboard('4{Enter}')
    expect(problem().answers![0]).toMatchObject({ quantity: 'reaction', node: 'C', component: 'y', value: 4 })
  })
})

describe('values as lines', () => {
  const lines = () => screen.getByRole('textbox', { name: 'hand values as lines' })

  it('are taken by Enter; what is not understood stays with its reason', async () => {
    const { user, problem } = inSheet(loaded, <PasteValues />)
    await user.type(lines(), 'Ay = 4 kN up{Shift>}{Enter}{/Shift}Qy = 3{Enter}')
    expect(problem().answers).toHaveLength(1)
    expect(screen.getByRole('status').textContent).toMatch(/One value taken.*Qy = 3/)
    expect(lines()).toHaveProperty('value', 'Qy = 3')
  })

  it('are read at once where a list is pasted, and a word is only typed', async () => {
    const { user, problem } = inSheet(loaded, <PasteValues />)
    await user.click(lines())
    await user.paste('Ay\t4 up\nCy\t4 up')
    expect(problem().answers?.map((a) => a.value)).toEqual([4, 4])
    await user.click(lines())
    await user.paste('Ay = ')
    expect(lines()).toHaveProperty('value', 'Ay = ')
  })

  it('put a value anew where there is one of the same place', async () => {
    const { user, problem } = inSheet(loaded, <PasteValues />)
    await user.type(lines(), 'Ay = 3.9 up{Enter}')
    await user.type(lines(), 'Ay = 4 up{Enter}')
    expect(problem().answers?.map((a) => a.value)).toEqual([4])
  })
})

describe('a diagram drawn by hand', () => {
  const entry = () => screen.getByRole('textbox', { name: /^a new ordinate of moment in AB/ })
  const opened = async () => {
    const sheet = inSheet(loaded, <DrawnByHand />)
    await sheet.user.click(screen.getByText('A diagram drawn by hand'))
    return sheet
  }

  it('is entered by its ordinates, each judged', async () => {
    const { user } = await opened()
    await user.type(entry(), '0: 0 linear{Enter}')
    await user.type(entry(), '4 m: 12{Enter}')
    const rows = within(screen.getByRole('table')).getAllByRole('row')
    expect(within(rows[1]).getByRole('img', { name: 'agrees' })).toBeTruthy()
    expect(within(rows[2]).getByRole('img', { name: 'differs' })).toBeTruthy()
  })

  it('says what line it does not understand, and keeps it', async () => {
    const { user, problem } = await opened()
    await user.type(entry(), 'much{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('Write the place and the ordinate')
    expect(problem()).toBe(loaded)
  })

  it('loses an ordinate by a press', async () => {
    const { user } = await opened()
    await user.type(entry(), '0: 0 linear{Enter}')
    await user.type(entry(), '4 m: 16{Enter}')
    await user.click(screen.getByRole('button', { name: 'Take out place of ordinate 1 of moment in AB' }))
    expect(screen.getAllByRole('textbox', { name: /^place of ordinate/ })).toHaveLength(1)
  })
})
