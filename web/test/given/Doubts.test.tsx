import { screen } from '@testing-library/react'
import type { Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Doubts } from '../../app/given/Doubts'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

const loaded: Problem = {
  ...beam,
  loadCases: [{ id: 'G', loads: [{ type: 'nodal', node: 'B', fy: -8 }] }],
}
const region = () => screen.queryByRole('region', { name: 'Doubtful' })

describe('what is doubtful', () => {
  it('is nothing where all is well', () => {
    inSheet(loaded, <Doubts />)
    expect(region()).toBeNull()
  })

  it('is a mechanism, with its joints: a press selects them', async () => {
    const rolling: Problem = {
      ...loaded,
      supports: [
        { node: 'A', type: 'roller' },
        { node: 'C', type: 'roller' },
      ],
    }
    const { user, store } = inSheet(rolling, <Doubts />)
    const line = screen.getAllByRole('button').find((b) => b.className.includes('say'))!
    await user.click(line)
    expect(store.getState().selection).toMatch(/node:/)
  })

  it('is mended by a press, as one step that is undone', async () => {
    const { user, store, problem } = inSheet({ ...loaded, supports: [] }, <Doubts />)
    const [mend] = screen.getAllByRole('button').filter((b) => b.className.includes('mend'))
    await user.click(mend)
    expect(problem().supports?.length).toBeGreaterThan(0)
    expect(region()).toBeNull()
    store.getState().undo()
    expect(problem().supports).toEqual([])
  })

  it('is a text that cannot be read, with its field and why', () => {
    const { store } = inSheet(loaded, <Doubts />)
    store
      .getState()
      .draft('x of B', { text: '4 +', message: 'Something is missing at the end.', field: 'x of B' })
    return screen
      .findByText(/x of B: “4 \+” is not read. Something is missing at the end\./)
      .then((line) => expect(line).toBeTruthy())
  })
})
