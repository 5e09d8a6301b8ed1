import { screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { Properties } from '../../app/given/Properties'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

describe('materials and sections', () => {
  it('a material is chosen with its usual values', async () => {
    const { user, problem } = inSheet(beam, <Properties />)
    const list = screen.getByRole('combobox', { name: 'another material' })
    await user.selectOptions(list, screen.getAllByRole('option', { name: /^concrete/i })[0])
    const made = problem().materials!.at(-1)!
    expect(made.id).toMatch(/concrete|C\d/i)
    expect(String(made.E)).toMatch(/GPa|MPa|N\/mm/)
  })

  it('takes the usual values over one’s own by a choice', async () => {
    const { user, problem } = inSheet(beam, <Properties />)
    await user.click(screen.getByRole('button', { name: 'more of material steel' }))
    const usual = screen.getByRole<HTMLSelectElement>('combobox', { name: 'usual values for steel' })
    const timber = [...usual.options].find((o) => /^timber/i.test(o.textContent))!
    await user.selectOptions(usual, timber)
    expect(String(problem().materials![0].E)).not.toBe('200 GPa')
  })

  it('has properties that it can do without', async () => {
    const { user, problem } = inSheet(beam, <Properties />)
    const weight = screen.getByRole('textbox', { name: 'unit weight of steel' })
    await user.type(weight, '78.5 kN/m^3')
    expect(problem().materials![0].unitWeight).toBe('78.5 kN/m^3')
    await user.clear(weight)
    expect(problem().materials![0]).not.toHaveProperty('unitWeight')
    await user.click(screen.getByRole('button', { name: 'more of material steel' }))
    await user.type(screen.getByRole('textbox', { name: 'yield of steel' }), '235 MPa')
    expect(problem().materials![0].yield).toBe('235 MPa')
  })

  it('is renamed with its members, but not to a name that is taken', async () => {
    const two = { ...beam, materials: [...beam.materials!, { id: 'timber', E: '11 GPa' }] }
    const { user, problem } = inSheet(two, <Properties />)
    const name = screen.getByRole('textbox', { name: 'name of material steel' })
    await user.clear(name)
    await user.type(name, 'timber{Enter}')
    expect((await screen.findByRole('alert')).textContent).toBe('There is a material timber already.')
    await user.clear(name)
    await user.type(name, 'S 235{Enter}')
    expect(problem().members.map((m) => m.material)).toEqual(['S 235', 'S 235'])
  })

  it('a section is stated in another way, with values to begin with', async () => {
    const { user, problem } = inSheet(beam, <Properties />)
    const way = screen.getByRole('combobox', { name: 'shape of section default' })
    await user.selectOptions(way, 'rectangle')
    expect(problem().sections![0]).toMatchObject({ shape: { type: 'rectangle', b: '100 mm', h: '200 mm' } })
    expect(problem().sections![0]).not.toHaveProperty('A')
    await user.selectOptions(way, 'EI and EA')
    expect(problem().sections![0]).not.toHaveProperty('shape')
    await user.selectOptions(way, 'A and I')
    expect(problem().sections![0]).toMatchObject({ A: '0.01 m^2', I: '1e-4 m^4' })
  })

  it('another section is added and taken out', async () => {
    const { user, problem } = inSheet(beam, <Properties />)
    await user.click(screen.getByRole('button', { name: 'another section' }))
    const { id } = problem().sections![1]
    await user.click(screen.getByRole('button', { name: `Take out section ${id}` }))
    expect(problem().sections).toHaveLength(1)
  })
})
