import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { screen } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import type { Problem } from '@viga/core'
import { Explained } from '../../app/check/Explained'
import { inSheet } from '../in-sheet'

const sheet = (name: string) =>
  JSON.parse(
    readFileSync(join(import.meta.dirname, `../../../core/test/sheets/${name}.viga.json`), 'utf8'),
  ) as Problem

/** What is said of a sheet with so many values that differ. */
function explained(problem: Problem, differs: number) {
  const Stub = createRoutesStub([
    { path: '/problems/:problemId/check', Component: () => <Explained differs={differs} /> },
  ])
  return inSheet(problem, <Stub initialEntries={['/problems/p/check']} />)
}

describe('what explains a sheet', () => {
  it('is said in a sentence, with the values and the way to the step of the Working', async () => {
    explained(sheet('9000-02-load-sign'), 6)
    expect(await screen.findByText(/The numbers fit a load taken the other way/)).toBeTruthy()
    expect(screen.getByRole('heading').textContent).toBe('One slip explains all 6 values')
    expect(screen.getByRole('link').getAttribute('href')).toBe('/problems/p/working/loads')
  })
  it('is nothing where no slip fits better than chance', async () => {
    explained(sheet('9000-09-random'), 4)
    expect(await screen.findByText(/No single slip explains/)).toBeTruthy()
  })
  it('is not asked of one value, and is looked for anew after an edit', async () => {
    const { store } = explained(sheet('9000-02-load-sign'), 6)
    await screen.findByText(/The numbers fit/)
    store.getState().edit('answers', (p) => ({ ...p, answers: p.answers!.slice(0, 1) }))
    expect(await screen.findByText(/Looking for one slip/)).toBeTruthy()
    expect(await screen.findByText(/No single slip/)).toBeTruthy()
  })
})
