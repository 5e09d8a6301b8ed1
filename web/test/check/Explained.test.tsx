import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { act, screen } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import { newProblem, type Problem } from '@viga/core'
import { Explained } from '../../app/check/Explained'
import { useVerdicts } from '../../app/check/verdicts'
import { inSheet } from '../in-sheet'

const sheet = (name: string) =>
  JSON.parse(
    readFileSync(join(import.meta.dirname, `../../../core/test/sheets/${name}.viga.json`), 'utf8'),
  ) as Problem

/** A number as the page writes it. */
const number = (text: string) => {
  const power = (_: string, digits: string) =>
    `e${[...digits].map((c) => (c === '⁻' ? '-' : String('⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(c)))).join('')}`
  return Number(
    text
      .replace(/·10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)/, power)
      .replace('−', '-')
      .replace(/\u2009/g, ''),
  )
}

const Shown = () => <Explained rows={useVerdicts()} />

/** What is said of a sheet of values. */
function explained(problem: Problem) {
  const Stub = createRoutesStub([{ path: '/problems/:problemId/check', Component: Shown }])
  return inSheet(problem, <Stub initialEntries={['/problems/p/check']} />)
}

describe('what explains a sheet', () => {
  it('is said in a sentence, with the values and the way to the step of the Working', async () => {
    explained(sheet('9000-02-load-sign'))
    expect(await screen.findByText(/taken in the opposite direction/)).toBeTruthy()
    expect(screen.getByRole('heading').textContent).toBe('One slip explains all 6 values')
    expect(screen.getByRole('link').getAttribute('href')).toBe('/problems/p/working/stiffness/loads')
  })
  it('leads into the other methods in which the slip shows, where they fit', async () => {
    explained(sheet('9004-01-fixed-end-sign'))
    await screen.findByText(/Your values fit/)
    const by = await screen.findByRole('link', { name: 'moment distribution' })
    expect(by.getAttribute('href')).toBe('/problems/p/working/moment-distribution/distribution')
    expect(screen.getByText(/\(stiffness method\)/)).toBeTruthy()
  })
  it('is nothing where no slip fits better than chance', async () => {
    explained(sheet('9000-09-random'))
    expect(await screen.findByText(/No slip, and no two slips together, explain/)).toBeTruthy()
  })
  it('of one value alone is its place in the solution, looked for anew after an edit', async () => {
    const { store } = explained(sheet('9000-02-load-sign'))
    await screen.findByText(/Your values fit/)
    store.getState().edit('answers', (p) => ({ ...p, answers: p.answers!.slice(0, 1) }))
    expect(await screen.findByText(/Its place in the solution/)).toBeTruthy()
  })
  it('shows both versions and the values that the slip gives', async () => {
    explained(sheet('9000-02-load-sign'))
    expect(await screen.findByRole('img', { name: 'as your numbers have it' })).toBeTruthy()
    expect(screen.getByRole('img', { name: 'as it is stated' })).toBeTruthy()
    const rows = screen.getAllByRole('row').slice(1)
    expect(rows).toHaveLength(6)
    const cells = (i: number) => [...rows[i].querySelectorAll('td')].map((c) => c.textContent)
    // what the slip gives is what was found, to the digits given
    for (let i = 0; i < rows.length; i++) {
      const [, given, slip, right] = cells(i)
      expect(number(slip) / number(given)).toBeCloseTo(1, 2)
      expect(slip).not.toBe(right)
    }
  })
  it('is hinted at before it is said', async () => {
    const { store } = explained(sheet('9000-02-load-sign'))
    act(() => store.setState({ shows: 'place' }))
    expect(await screen.findByText(/Look at/)).toBeTruthy()
    expect(screen.queryByText(/Your values fit/)).toBeNull()
    act(() => store.setState({ shows: 'verdict' }))
    expect(screen.queryByText(/Look at/)).toBeNull()
  })
})

describe('a sheet with more than one wrong line', () => {
  /** Two spans, fixed at A: 12 kN/m on AB, 30 kN at the middle of BC. */
  const values = (all: readonly number[]): Problem => ({
    ...twoSpans,
    answers: all.map((value, i) => ({ id: `a${i}`, value, ...PLACES[i] })),
  })
  const PLACES = [
    { quantity: 'moment', member: 'AB', at: 0 },
    { quantity: 'moment', member: 'AB', at: '100%' },
    { quantity: 'shear', member: 'AB', at: 0 },
    { quantity: 'shear', member: 'BC', at: 0 },
    { quantity: 'reaction', node: 'A', component: 'y' },
    { quantity: 'reaction', node: 'C', component: 'y' },
  ] as const
  const twoSpans: Problem = {
    ...newProblem(),
    sections: [{ id: 'default', A: '0.01 m^2', I: '1e-4 m^4' }],
    nodes: [
      { id: 'A', x: 0, y: 0 },
      { id: 'B', x: 6, y: 0 },
      { id: 'C', x: 10, y: 0 },
    ],
    members: [
      { id: 'AB', start: 'A', end: 'B', material: 'steel', section: 'default' },
      { id: 'BC', start: 'B', end: 'C', material: 'steel', section: 'default' },
    ],
    supports: [
      { node: 'A', type: 'fixed' },
      { node: 'B', type: 'roller' },
      { node: 'C', type: 'roller' },
    ],
    loadCases: [
      {
        id: '1',
        loads: [
          { type: 'distributed', member: 'AB', direction: 'Y', q: '-12 kN/m' },
          { type: 'point', member: 'BC', at: '50%', fy: '-30 kN' },
        ],
      },
    ],
  }
  it('names two slips that explain it together', async () => {
    explained(values([0, 23.4, -32.1, 9.15, -32.1, 20.85]))
    expect((await screen.findByRole('heading', { name: /Two slips/ })).textContent).toBe(
      'Two slips together explain all 6 values',
    )
    expect(
      screen
        .getAllByRole('listitem')
        .slice(-2)
        .map((li) => li.textContent),
    ).toEqual(['The 12 kN/m on AB taken in the opposite direction.', 'A pin support at A.'])
  })
  it('names the value that is wrong and those that follow from it', async () => {
    explained(values([-39.18, -24.65, 38.42, 21.16, 38.42, 8.838]))
    expect(
      await screen.findByRole('heading', { name: 'One value is wrong, and 4 follow from it' }),
    ).toBeTruthy()
  })
})
