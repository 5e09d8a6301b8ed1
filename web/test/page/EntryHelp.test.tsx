import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { edit, findJoint, newProblem, placeNode, readChain, readRelative, type Problem } from '@viga/core'
import { readLoads } from '@viga/core/statement/read-load'
import { readSupport } from '@viga/core/statement/read-support'
import { describe, expect, it, vi } from 'vitest'
import { EntryHelp } from '../../app/page/EntryHelp'
import { entryWords } from '../../app/page/entry-words'

const joints: [string, number, number][] = [
  ['A', 0, 0],
  ['B', 4, 0],
  ['C', 0, 3],
  ['D', 4, 2],
  ['1', 8, 0],
  ['2', 9, 0],
]
const sheet: Problem = {
  ...newProblem(),
  nodes: joints.map(([id, x, y]) => ({ id, x, y })),
  members: [{ id: 'AB', start: 'A', end: 'B' }],
  loadCases: [{ id: 'D', loads: [] }],
}
const given = entryWords('given', 'D')
const examplesOf = (title: string) => given.find((e) => e.title === title)!.examples.map((x) => x.fields)

describe('examples of what can be typed', () => {
  it('are put into their entry by a press', async () => {
    const insert = vi.fn()
    render(<EntryHelp entries={given} onInsert={insert} />)
    await userEvent.click(screen.getByRole('button', { name: 'D roller 45' }))
    expect(insert).toHaveBeenCalledWith(
      expect.objectContaining({ row: 'joint and kind of a new support' }),
      expect.objectContaining({ fields: { text: 'D roller 45' } }),
    )
  })
  it('are all understood', () => {
    for (const { text } of examplesOf('A support'))
      expect(readSupport(sheet, text), text).toMatchObject({ ok: true })
    for (const { on, amount, at } of examplesOf('A load'))
      expect(readLoads(sheet, on, amount, 'down', at), amount).toMatchObject({ ok: true })
    for (const { text } of examplesOf('Members'))
      expect(Array.isArray(readChain(sheet, text)), text).toBe(true)
    for (const { text } of examplesOf('A joint by others'))
      expect(readRelative(text, sheet), text).toMatchObject({ x: expect.any(Number) as number })
    for (const { x, y } of examplesOf('A joint')) {
      const p = edit.addNode(sheet, edit.typed(x), edit.typed(y), 'Q')
      expect(findJoint(p, 'q')).toBe('Q')
      expect(placeNode(p, 0, 0).id).toBe('A')
    }
  })
  it('there are none where nothing is typed', () => expect(entryWords('results', 'D')).toEqual([]))
})
