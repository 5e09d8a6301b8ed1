import { screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { Members } from '../../app/given/Members'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const member = (p: typeof beam, id: string) => p.members.find((m) => m.id === id)!

describe('the table of members', () => {
  it('has each with its length, section and ends', () => {
    inSheet(beam, <Members />)
    const row = screen.getByRole('textbox', { name: 'label of member BC' }).closest('tr')!
    expect(within(row).getByText('4 m')).toBeTruthy()
    expect(within(row).getByRole<HTMLSelectElement>('combobox', { name: 'section of BC' }).value).toBe(
      'default',
    )
  })

  it('connects joints one after another from one line, and says what is connected already', async () => {
    const { user, problem } = inSheet(beam, <Members />)
    const line = screen.getByRole('textbox', { name: 'joints of new members' })
    await user.type(line, 'CA{Enter}')
    expect(member(problem(), 'CA')).toMatchObject({ start: 'C', end: 'A' })
    await user.type(line, 'ABC{Enter}')
    expect((await screen.findByRole('alert')).textContent).toBe('These joints are connected already.')
    expect(problem().members).toHaveLength(3)
  })

  it('asks for two joints where one is typed', async () => {
    const { user, problem } = inSheet(beam, <Members />)
    await user.type(screen.getByRole('textbox', { name: 'joints of new members' }), 'A{Enter}')
    expect((await screen.findByRole('alert')).textContent).toContain('A member joins two joints')
    expect(problem()).toBe(beam)
  })

  it('renames a member, and refuses a name that is taken', async () => {
    const { user, problem } = inSheet(beam, <Members />)
    const label = screen.getByRole('textbox', { name: 'label of member AB' })
    await user.clear(label)
    await user.type(label, 'BC{Enter}')
    expect((await screen.findByRole('alert')).textContent).toBe('There is a member BC already.')
    await user.clear(label)
    await user.type(label, 'girder{Enter}')
    expect(problem().members.map((m) => m.id)).toEqual(['girder', 'BC'])
  })

  it('opens what each end passes on: a spring with its stiffness, a release, nothing', async () => {
    const { user, problem } = inSheet(beam, <Members />)
    await user.click(screen.getByRole('button', { name: 'ends and behaviour of AB' }))
    const turning = await screen.findByRole('combobox', { name: 'turning at B of AB' })
    await user.selectOptions(turning, 'by a spring')
    expect(member(problem(), 'AB').releases).toEqual({ end: { M: '1000 kN*m' } })
    const stiffness = screen.getByRole('textbox', { name: 'spring M at B of AB' })
    await user.clear(stiffness)
    await user.type(stiffness, '250 kN*m')
    expect(member(problem(), 'AB').releases).toEqual({ end: { M: '250 kN*m' } })
    await user.selectOptions(turning, 'released')
    expect(member(problem(), 'AB').releases).toEqual({ end: { M: true } })
    await user.selectOptions(turning, 'rigid')
    expect(member(problem(), 'AB').releases?.end?.M).toBeUndefined()
  })

  it('says in few words what is not ordinary about a member', async () => {
    const { user } = inSheet(beam, <Members />)
    const more = screen.getByRole('button', { name: 'ends and behaviour of AB' })
    await user.click(more)
    await user.click(await screen.findByRole('checkbox', { name: 'keeps its length' }))
    await user.click(screen.getByRole('checkbox', { name: 'deforms in shear too' }))
    await user.click(more)
    expect(more.textContent).toBe('keeps length, shear')
  })

  it('leaves a bar its axial force alone', async () => {
    const { user } = inSheet(beam, <Members />)
    await user.click(screen.getByRole('button', { name: 'ends and behaviour of AB' }))
    await user.click(await screen.findByRole('checkbox', { name: 'a bar: axial force alone' }))
    expect(screen.queryByRole('combobox', { name: 'turning at A of AB' })).toBeNull()
    expect(screen.getByRole('combobox', { name: 'along at A of AB' })).toBeTruthy()
  })

  it('takes a member out', async () => {
    const { user, problem } = inSheet(beam, <Members />)
    await user.click(screen.getByRole('button', { name: 'Take out member AB' }))
    expect(problem().members.map((m) => m.id)).toEqual(['BC'])
  })
})
