import { describe, expect, it } from 'vitest'
import { copyRows, pasteRows, problemErrors } from '../../../src/index.js'
import { frame } from '../../builder.js'

const p = frame()
  .node('A', 0, 0)
  .node('B', '3 m', 4)
  .node('C', 6, 0)
  .member('A', 'B', { releases: { end: { M: true } } })
  .member('B', 'C')
  .support('A', 'pin')
  .load(
    { type: 'nodal', node: 'B', fy: -5 },
    { type: 'distributed', member: 'AB', direction: 'Y', q: -2 },
  ).problem
const empty = frame().problem

describe('copied rows', () => {
  it('are a table a spreadsheet takes', () => {
    const [head, first, second] = copyRows(p, { nodes: [], members: ['AB'] })
      .split('\n')
      .map((l) => l.split('\t'))
    expect(head).toEqual(['joint', 'x', 'y'])
    expect(first).toEqual(['A', '0', '0'])
    expect(second).toEqual(['B', '3 m', '4'])
  })
  it('come into another problem with supports, loads and ends', () => {
    const made = pasteRows(empty, copyRows(p, { nodes: ['A', 'B', 'C'], members: [] }))
    if (!made.ok) throw new Error(made.message)
    expect(problemErrors(made.problem)).toEqual([])
    expect({ ...made.problem, title: '' }).toEqual({ ...p, title: '' })
  })
  it('come beside the original under new labels', () => {
    const made = pasteRows(p, copyRows(p, { nodes: [], members: ['AB'] }), 1, 0)
    expect(made).toMatchObject({ ok: true, nodes: ['D', 'E'], members: ['DE'] })
    if (made.ok) {
      expect(made.problem.nodes.slice(3)).toEqual([
        { id: 'D', x: 1, y: 0 },
        { id: 'E', x: 4, y: 4 },
      ])
      expect(made.problem.members[2].releases).toEqual({ end: { M: true } })
      expect(problemErrors(made.problem)).toEqual([])
    }
  })
})

describe('rows of a spreadsheet', () => {
  it.each([
    ['0\t0\n4\t0\n4\t3', ['A', 'B', 'C'], []],
    ['joint\tx\ty\nP\t0\t0\nQ\t12 ft\t0\nmember\tstart\tend\nPQ\tP\tQ', ['P', 'Q'], ['PQ']],
    ['1\t0\t0\n2\t5\t0\n\nmember\n1\t2', ['1', '2'], ['1–2']],
    ['Nr.\tx [m]\ty [m]\r\nA\t0\t0\r\nB\t5\t2\r\nA\tB', ['A', 'B'], ['AB']],
  ])('%j', (text, nodes, members) => {
    const made = pasteRows(empty, text)
    expect(made).toMatchObject({ ok: true, nodes, members })
    if (made.ok) expect(problemErrors(made.problem)).toEqual([])
  })
  it.each([
    ['', 'nothing to paste'],
    ['0\t5 kN', 'Row 1'],
    ['member\tstart\tend\nx\tA\tB', 'Row 2'],
    ['heading only', 'No row'],
  ])('%j is refused', (text, words) =>
    expect(pasteRows(empty, text)).toMatchObject({
      ok: false,
      message: expect.stringContaining(words) as string,
    }),
  )
  it('that say again, in a table of joints, what a joint is add none beside it, and members find it', () => {
    const made = pasteRows(p, 'A\t0\t0\nB\t3 m\t4\nZ\t9\t4\nA\t1\t0\nmember\nB\tZ', 0, 0, true)
    expect(made).toMatchObject({ ok: true, nodes: ['Z', 'D'], members: ['BZ'] })
    expect(pasteRows(p, 'A\t0\t0\nB\t3\t4', 0, 0, true)).toMatchObject({
      ok: false,
      message: 'These joints are there already.',
    })
  })
  it('a damaged piece is read as the rows above it', () =>
    expect(pasteRows(empty, 'joint\tx\ty\nA\t1\t2\nviga piece\t{"nodes":')).toMatchObject({
      ok: true,
      nodes: ['A'],
    }))
})
