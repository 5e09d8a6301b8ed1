import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { readVaried, sweep, work, type Problem } from '@viga/core'
import Buckling from '../../app/results/buckling/Buckling'
import { growthWords, warningOf } from '../../app/results/buckling/words'
import Growth from '../../app/results/growth/Growth'
import { growthTable } from '../../app/results/growth/growth-table'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

// a chart asks for a window with sizes; the browser tests look at it
vi.mock('../../app/results/growth/GrowthChart', () => ({ GrowthChart: () => null }))

const post = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../database/demo/13-arbor-post.viga.json'), 'utf8'),
) as Problem

const solvedOf = (p: Problem) => {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution } = outcome
  return { solution, action: solution.cases[0] }
}

describe('the view on buckling', () => {
  it('has the lowest factors, effective lengths and the ratio of second to first order', () => {
    inSheet(post, <Buckling {...solvedOf(post)} />)
    const [first, second] = screen.getAllByRole('radio')
    expect(first).toHaveProperty('checked', true)
    expect(first.closest('label')!.textContent).toContain('1.617')
    expect(second.closest('label')!.textContent).toContain('6.468')
    const lengths = within(screen.getByRole('region', { name: 'Effective lengths' }))
    // hinged at both ends: as long as it is
    expect(lengths.getByText('4.200')).toBeTruthy()
    const moments = within(screen.getByRole('region', { name: 'Largest moments' }))
    expect(moments.getByText('1.800')).toBeTruthy()
    expect(moments.getByText('5.466')).toBeTruthy()
  })
  it('draws the chosen mode on the Figure, and gives the Figure back when it is left', async () => {
    const { user, store, unmount } = inSheet(post, <Buckling {...solvedOf(post)} />)
    expect(store.getState().drawn!.caption).toContain('1.617')
    await user.click(screen.getAllByRole('radio')[1])
    expect(store.getState().drawn!.caption).toContain('Mode 2')
    unmount()
    expect(store.getState().drawn).toBeNull()
  })
  it('says of a tie that nothing buckles', () => {
    const pulled = { ...post, symbols: { ...post.symbols, P: '-70 kN' } }
    inSheet(pulled, <Buckling {...solvedOf(pulled)} />)
    expect(screen.getByText(/No member is pressed/)).toBeTruthy()
  })
})

describe('what a critical factor says', () => {
  it.each([
    [0.8, /cannot carry them/, /Buckles at 0.8/],
    [1.2, /near its limit/, /it buckles at 1.2/],
    [4, /second-order effects matter/, /it buckles at 4/],
    [40, /effects are small/, undefined],
  ])('%s', (factor, words, warning) => {
    expect(growthWords(factor)).toMatch(words)
    if (warning) expect(warningOf(factor)).toMatch(warning)
    else expect(warningOf(factor)).toBeUndefined()
  })
  it('is nothing where there is none', () => expect(warningOf(null)).toBeUndefined())
})

describe('a sweep as a table', () => {
  it('has both orders side by side, in coherent units', () => {
    const varied = readVaried(post, 'P')
    if (!varied.ok) throw new Error(varied.message)
    const result = sweep({
      problem: post,
      varied: varied.varied,
      values: [0, 70_000, 200_000],
      reads: [{ text: 'M', place: { quantity: 'moment', member: 'AB', at: '50%' } }],
      orders: [1, 2],
    })
    if ('message' in result) throw new Error(result.message)
    const table = growthTable(post, 'the symbol P', result)
    expect(table.columns.map((c) => [c.title, c.unit])).toEqual([
      ['the symbol P', 'kN'],
      ['M, first order', 'kN·m'],
      ['M, second order', 'kN·m'],
    ])
    const [none, stated, beyond] = table.rows.map((r) => r.cells)
    expect(none[2]).toBeCloseTo(-1.8, 9)
    expect(stated[0]).toBeCloseTo(70, 9)
    expect(stated[2]).toBeCloseTo(-5.466425995, 6)
    expect(beyond[2]).toBeNull()
    expect(result.steps[2].reason).toContain('buckles')
  })
})

describe('what grows', () => {
  it('is run at once, with the likeliest choice', async () => {
    inSheet(post, <Growth {...solvedOf(post)} />)
    const table = within(await screen.findByRole('region', { name: 'Step by step' }))
    // forty steps, their beginning and the head
    expect(table.getAllByRole('row')).toHaveLength(42)
  })
  it('is chosen among loads, symbols and stated quantities, each with a range to begin with', async () => {
    const { user } = inSheet(post, <Growth {...solvedOf(post)} />)
    const what = screen.getByRole('combobox', { name: 'what grows' })
    const [from, to] = ['from', 'to'].map((n) => screen.getByRole<HTMLInputElement>('textbox', { name: n }))
    expect([from.value, to.value]).toEqual(['0', '0.9'])
    await user.selectOptions(what, 'the symbol P')
    expect(from.value).toBe(`0.5*(${post.symbols!.P})`)
    const stated = within(screen.getByRole('group', { name: 'a quantity that is stated' }))
    await user.selectOptions(what, stated.getAllByRole('option')[0])
    expect(to.value).toMatch(/^2\*\(.+\)$/)
    expect(screen.queryByRole('alert')).toBeNull()
  })
  it('begins with all loads where nothing buckles', async () => {
    const across: Problem = {
      ...beam,
      loadCases: [{ id: '1', loads: [{ type: 'nodal', node: 'B', fy: -1 }] }],
    }
    inSheet(across, <Growth {...solvedOf(across)} />)
    expect(screen.getByRole('combobox', { name: 'what grows' })).toHaveProperty('value', 'factor')
    expect(await screen.findByRole('region', { name: 'Step by step' })).toBeTruthy()
  })
  it('says what is no range, and takes no value twice', async () => {
    const { user } = inSheet(post, <Growth {...solvedOf(post)} />)
    const steps = screen.getByRole('textbox', { name: 'steps' })
    await user.clear(steps)
    await user.type(steps, '0')
    expect(screen.getByRole('alert').textContent).toContain('whole number')
    const reads = () => screen.getAllByRole('listitem').map((l) => l.textContent)
    const before = reads().length
    await user.click(screen.getByRole('button', { name: 'Read it, too' }))
    const after = reads().length
    await user.click(screen.getByRole('button', { name: 'Read it, too' }))
    expect(reads()).toHaveLength(after)
    expect(after - before).toBeLessThanOrEqual(1)
  })
})
