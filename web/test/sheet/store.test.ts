import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { edit, newProblem, type Problem } from '@viga/core'
import { createSheet } from '../../app/sheet/store'
import { takeBack } from '../../app/sheet/history'

const demo = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../database/demo/01-palm-house.viga.json'), 'utf8'),
) as Problem
const open = (problem = demo, revision = 1) =>
  createSheet({ id: 'p1', problem, revision, changedAt: '2026-01-01T00:00:00Z' })

describe('edits of a sheet', () => {
  it('change the results at once', () => {
    const store = open()
    const thrust = () => {
      const { outcome } = store.getState()
      return outcome.stage === 'solved' ? outcome.solution.cases[0].reactions[11] : NaN
    }
    const before = thrust()
    expect(store.getState().edit('wider', (p) => edit.setSymbol(p, 'span', '16 m'))).toBeNull()
    expect(thrust()).not.toBe(before)
  })
  it('are refused whole when they break the contract', () => {
    const store = open()
    const error = store.getState().edit('bad', (p) => edit.setNode(p, 'B', { y: '3 kN' }))
    expect(error).toMatchObject({ path: 'nodes[1].y' })
    expect(store.getState().problem).toBe(demo)
    expect(store.getState().past).toHaveLength(0)
  })
  it('undo and redo without end, with names, and keep the selection', () => {
    const store = open()
    for (let i = 1; i <= 50; i++)
      store.getState().edit(`step ${i}`, (p) => edit.setNode(p, 'C', { x: i / 10 + 3 }), { select: 'node:C' })
    store.getState().select(null)
    expect(store.getState().past.at(-1)!.name).toBe('step 50')
    for (let i = 0; i < 50; i++) store.getState().undo()
    expect(store.getState().problem).toBe(demo)
    for (let i = 0; i < 50; i++) store.getState().redo()
    expect(store.getState().problem.nodes[2].x).toBe(8)
  })
  it('of one thing in quick succession are one step', () => {
    const store = open()
    for (const x of [4, 5, 6])
      store.getState().edit('drag', (p) => edit.setNode(p, 'C', { x }), { merge: 'drag C' })
    expect(store.getState().past).toHaveLength(1)
    store.getState().undo()
    expect(store.getState().problem).toBe(demo)
  })
  it('drop a selection whose thing is gone, and a case that is gone', () => {
    const store = open()
    store.getState().select('member:AB')
    store.getState().chooseAction('W')
    store.getState().edit('out', (p) => edit.removeMembers(p, ['AB']))
    expect(store.getState().selection).toBeNull()
    store.getState().edit('out', (p) => edit.removeCase({ ...p, answers: [] }, 'W'))
    expect(store.getState().actionId).toBe('G')
  })
})

describe('undo over a reload', () => {
  const steps = () => {
    const store = open()
    store.getState().edit('move C', (p) => edit.setNode(p, 'C', { x: 8 }))
    store.getState().edit('move D', (p) => edit.setNode(p, 'D', { x: 16 }))
    store.getState().undo()
    const { problem, past, future } = store.getState()
    return structuredClone({ problem, past, future })
  }
  it('takes back the steps that lead to the very problem that is open', () => {
    const kept = steps()
    const store = open(kept.problem)
    takeBack(store, kept)
    expect(store.getState().past.map((s) => s.name)).toEqual(['move C'])
    store.getState().redo()
    expect(store.getState().problem.nodes[3].x).toBe(16)
    store.getState().undo()
    store.getState().undo()
    expect(store.getState().problem).toEqual(demo)
  })
  it('leaves them alone when the problem is another, was edited since, or the list is damaged', () => {
    const kept = steps()
    const other = open()
    takeBack(other, kept)
    expect(other.getState().past).toEqual([])
    const edited = open(kept.problem)
    edited.getState().edit('title', (p) => edit.setText(p, 'title', 'x'))
    edited.getState().edit('back', () => kept.problem)
    takeBack(edited, kept)
    expect(edited.getState().past.map((s) => s.name)).toEqual(['title', 'back'])
    const damaged = open(kept.problem)
    takeBack(damaged, { ...kept, past: [{ ...kept.past[0], problem: { nodes: 7 } as never }] })
    expect(damaged.getState().past).toEqual([])
    takeBack(damaged, undefined)
  })
})

describe('what is shown', () => {
  it('stays shown when its case is given another label', () => {
    const problem = {
      ...newProblem(),
      loadCases: [
        { id: 'D', loads: [] },
        { id: 'L', loads: [] },
      ],
    }
    const store = createSheet({ id: 'p1', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
    store.getState().chooseAction('L')
    store.getState().edit('rename', (p) => edit.renameCase(p, 'L', 'live'))
    expect(store.getState().actionId).toBe('live')
  })
})
