import { act, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ResultTable } from '@viga/core'
import { ResultTableView } from '../../app/results/tables/ResultTableView'
import { demo } from '../demo'
import { inSheet } from '../in-sheet'

const table = (count: number): ResultTable => ({
  key: 'displacements',
  title: 'Displacements',
  columns: [
    { key: 'joint', title: 'Joint', words: true },
    { key: 'x', title: 'x', unit: 'mm' },
  ],
  rows: Array.from({ length: count }, (_, i) => ({ target: `node:n${i}`, cells: [`n${i}`, i / 4 - 20] })),
})
const show = (count: number) => inSheet(demo[0][1], <ResultTableView table={table(count)} />)
const shown = () => within(screen.getByRole('table')).getAllByRole('row').slice(1)

describe('a table of results', () => {
  // without a layout every element is 0 high
  beforeEach(() => void vi.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(600))
  afterEach(() => void vi.restoreAllMocks())

  it('is whole when it is short', () => {
    show(120)
    expect(shown()).toHaveLength(120)
    expect(screen.queryByRole('group', { name: 'rows of Displacements' })).toBeNull()
  })

  it('has a window of its own when it is long, with its rows counted as they are', () => {
    show(4000)
    const rows = shown()
    expect(rows.length).toBeGreaterThan(10)
    expect(rows.length).toBeLessThan(120)
    expect(rows[0].textContent).toContain('n0')
    expect(rows[0].getAttribute('aria-rowindex')).toBe('2')
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('4001')
    expect(screen.getByRole('group', { name: 'rows of Displacements' }).tabIndex).toBe(0)
  })

  it('is whole on paper', () => {
    show(400)
    act(() => void dispatchEvent(new Event('beforeprint')))
    expect(shown()).toHaveLength(400)
    act(() => void dispatchEvent(new Event('afterprint')))
    expect(shown().length).toBeLessThan(120)
  })

  it('keeps its columns as wide as the longest text of all rows', () => {
    const { container } = show(4000)
    const texts = [...container.querySelectorAll('tr.widest td')].map((td) => td.textContent)
    expect(texts[0]).toHaveLength('n3999'.length)
    expect(texts[1]).toMatch(/^(−?\d+\.\d+)$/)
  })
})
