import { screen } from '@testing-library/react'
import { edit } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { LoadRow } from '../../app/given/LoadRow'
import { useSheet } from '../../app/sheet/context'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

function Row() {
  const load = useSheet((s) => s.problem.loadCases![0].loads[0])
  return (
    <table>
      <tbody>
        <LoadRow caseId="1" index={0} load={load} />
      </tbody>
    </table>
  )
}
const withLoad = edit.addLoad({ ...beam, loadCases: [{ id: '1', loads: [] }] }, '1', {
  type: 'nodal',
  node: 'B',
  fy: -8,
})

describe('a force at an angle', () => {
  it('is stated by its size and direction, not by components', async () => {
    const { user, problem } = inSheet(withLoad, <Row />)
    await user.selectOptions(screen.getByRole('combobox', { name: 'direction of load 1' }), 'at an angle ∠')
    expect(problem().loadCases![0].loads[0]).toEqual({
      type: 'nodal',
      node: 'B',
      force: 8,
      angle: '-90 deg',
    })
    const angle = screen.getByRole('textbox', { name: 'angle of load 1 of 1' })
    await user.clear(angle)
    await user.type(angle, '-60 deg')
    expect(problem().loadCases![0].loads[0]).toMatchObject({ force: 8, angle: '-60 deg' })
  })
  it('becomes a force straight down again', async () => {
    const { user, problem } = inSheet(withLoad, <Row />)
    const way = screen.getByRole('combobox', { name: 'direction of load 1' })
    await user.selectOptions(way, 'at an angle ∠')
    await user.selectOptions(way, 'down ↓')
    expect(problem().loadCases![0].loads[0]).toEqual({ type: 'nodal', node: 'B', fy: -8 })
  })
})
