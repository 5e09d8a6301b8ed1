import { screen } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { beforeEach, expect, it } from 'vitest'
import { newProblem } from '@viga/core'
import { FirstNotes } from '../../app/page/FirstNotes'
import { firstNotes, showNotes } from '../../app/page/first-notes'
import { demo } from '../demo'
import { inSheet } from '../in-sheet'

beforeEach(() => {
  localStorage.clear()
  firstNotes.setState({ shown: false })
})

const at = (path: string, problem = demo[0][1]) => {
  const Stub = createRoutesStub([{ path: '/problems/:id/:part', Component: FirstNotes }])
  return inSheet(problem, <Stub initialEntries={[path]} />)
}

it('go from part to part, and stay away once they are put away', async () => {
  const { user, unmount } = at('/problems/p/check')
  expect(screen.getByRole('complementary', { name: 'Note 4 of 4: Check' })).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Done' }))
  expect(screen.queryByRole('complementary')).toBeNull()
  unmount()
  at('/problems/p/given')
  expect(screen.queryByRole('complementary')).toBeNull()
})

it('come back when they are asked for', () => {
  showNotes()
  at('/problems/p/working')
  expect(screen.getByRole('link', { name: 'Next: Results' }).getAttribute('href')).toBe('/problems/p/results')
})

it('say nothing on a sheet that has nothing to look at yet', () => {
  at('/problems/p/given', newProblem())
  expect(screen.queryByRole('complementary')).toBeNull()
})
