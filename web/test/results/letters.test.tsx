import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { screen, within } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { work, type Problem } from '@viga/core'
import Letters from '../../app/results/letters/Letters'
import { inSheet } from '../in-sheet'

const demo = (name: string) =>
  JSON.parse(
    readFileSync(join(import.meta.dirname, `../../database/demo/${name}.viga.json`), 'utf8'),
  ) as Problem

const shown = (p: Problem) => {
  const outcome = work(p)
  if (outcome.stage !== 'solved') throw new Error('solved')
  const { solution } = outcome
  return inSheet(p, <Letters solution={solution} action={solution.cases[0]} />)
}

it('has every result in letters beside its number, lit with the Figure', async () => {
  shown(demo('17-orangery-roof'))
  const along = within(await screen.findByRole('table', { name: 'Along the members in letters' }))
  const row = along.getByText('N_CG = P').closest('tr')!
  expect(row.textContent).toContain('20.00 kN')
  expect(along.getByText('N_AB = −3√5P/2')).toBeTruthy()
  const reactions = within(screen.getByRole('table', { name: 'Reactions in letters' }))
  expect(reactions.getByText('A_y = 3P/2')).toBeTruthy()
})

it('goes to the clipboard as expressions that a field reads, and as LaTeX', async () => {
  const { user } = shown(demo('17-orangery-roof'))
  const write = vi.spyOn(navigator.clipboard, 'writeText').mockResolvedValue()
  await user.click(await screen.findByRole('button', { name: 'Copy as text' }))
  expect(write.mock.lastCall![0]).toContain('N_AB = -3*sqrt(5)*P/2\n')
  await user.click(screen.getByRole('button', { name: 'Copy as LaTeX' }))
  expect(write.mock.lastCall![0]).toContain('\\dfrac{3\\,\\sqrt{5}\\,P}{2}')
  expect(await screen.findByText('LaTeX copied')).toBeTruthy()
})

it('says how a problem without symbols gets letters', () => {
  shown(demo('02-fern-walk'))
  expect(screen.getByText(/^No value of this problem is stated in letters/)).toBeTruthy()
})

it('says why there are none where they are too long', async () => {
  shown(demo('01-palm-house'))
  expect(await screen.findByText(/longer than is of use/)).toBeTruthy()
  expect(screen.queryByRole('table')).toBeNull()
})
