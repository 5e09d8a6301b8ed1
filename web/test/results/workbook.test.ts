import writeWorkbook from 'write-excel-file/node'
import { expect, it } from 'vitest'
import type { ResultTable } from '@viga/core'
import { withUnits } from '../../app/results/tables/shown-units'
import { sheetRows } from '../../app/results/tables/workbook'
import { displayOf, fileName } from '@viga/core'

const table: ResultTable = {
  key: 'reactions',
  title: 'Reactions',
  columns: [
    { key: 'joint', title: 'Joint', words: true },
    { key: 'x', title: 'x', unit: 'kN' },
  ],
  rows: [{ cells: ['A', 6.644622211649054] }, { cells: ['E', null] }],
  total: ['Sum', 6.644622211649054],
}

it('a sheet has numbers as numbers, units in the head and nothing where there is no value', async () => {
  const rows = sheetRows(table)
  expect(rows[0].map((c) => c?.value)).toEqual(['Joint', 'x (kN)'])
  expect(rows[1][1]).toEqual({ value: 6.644622211649054, type: Number })
  expect(rows[2][1]).toBeNull()
  expect(rows).toHaveLength(4)
  const buffer = await writeWorkbook([{ sheet: 'Reactions', data: rows }]).toBuffer()
  expect(buffer.subarray(0, 2).toString()).toBe('PK')
})

it('files are named after the problem', () => {
  expect(fileName('Palm house: Σ & pitched frame')).toBe('palm-house-σ-pitched-frame')
  expect(fileName('…')).toBe('problem')
})

it('chosen units stand in the place of the problem’s own', () => {
  const own = displayOf({ units: { length: 'm', force: 'kN' } })
  const shown = withUnits(own, { moment: 'N*m', displacement: 'in' })
  expect(shown.moment).toEqual({ unit: 'N·m', perSI: 1 })
  expect(shown.displacement.perSI).toBeCloseTo(1 / 0.0254, 9)
  expect(shown.force).toBe(own.force)
})
