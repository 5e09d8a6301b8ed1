import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { act, screen } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import type { Problem } from '@viga/core'
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
    expect(screen.getByRole('link').getAttribute('href')).toBe('/problems/p/working/loads')
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
