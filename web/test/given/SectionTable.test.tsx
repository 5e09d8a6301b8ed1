import { screen } from '@testing-library/react'
import { problemErrors } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { SectionTable } from '../../app/given/SectionTable'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

describe('a section by its rigidities', () => {
  it('states EI as a multiple of a symbol, and EA beside it', async () => {
    const { user, problem } = inSheet(beam, <SectionTable />)
    await user.selectOptions(screen.getByRole('combobox', { name: 'shape of section default' }), 'EI and EA')
    expect(problem().sections![0]).toMatchObject({ EI: 'EI', A: '0.01 m^2' })
    expect(problem().symbols).toHaveProperty('EI')
    const EI = screen.getByRole('textbox', { name: 'EI of default' })
    await user.clear(EI)
    await user.type(EI, '2EI{Enter}')
    expect(problem().sections![0].EI).toBe('2EI')
    await user.type(screen.getByRole('textbox', { name: 'EA of default' }), '500000 kN{Enter}')
    expect(problem().sections![0].EA).toBe('500000 kN')
    expect(problemErrors(problem())).toEqual([])
    // what it comes to stands beside it
    expect(screen.getByText(/^EI 40 000/)).toBeTruthy()
  })
  it('refuses what is no rigidity, and keeps the text', async () => {
    const { user, problem } = inSheet(beam, <SectionTable />)
    await user.selectOptions(screen.getByRole('combobox', { name: 'shape of section default' }), 'EI and EA')
    const EI = screen.getByRole('textbox', { name: 'EI of default' })
    await user.clear(EI)
    await user.type(EI, '5 kN{Enter}')
    expect(screen.getByRole('alert').textContent).toMatch(/bending stiffness.*a force/)
    expect(problem().sections![0].EI).toBe('EI')
  })
  it('goes back to A and I without leaving a rigidity behind', async () => {
    const { user, problem } = inSheet(beam, <SectionTable />)
    const by = screen.getByRole('combobox', { name: 'shape of section default' })
    await user.selectOptions(by, 'EI and EA')
    await user.selectOptions(by, 'A and I')
    expect(problem().sections![0]).toEqual({
      id: 'default',
      A: '0.01 m^2',
      I: '1e-4 m^4',
    })
  })
})
