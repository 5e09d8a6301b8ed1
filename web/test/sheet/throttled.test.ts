import { addShape, edit, frameShape, newProblem } from '@viga/core'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { THROTTLE_MS, throttledStore } from '../../app/sheet/throttled'
import { createSheet } from '../../app/sheet/store'
import { beam } from '../problems'

const large = addShape(newProblem('large'), frameShape([6, 6, 6], [3, 3, 3, 3], 'fixed'))
const open = (problem: typeof beam) =>
  createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
const last = (problem: typeof beam) => problem.nodes[problem.nodes.length - 1]

describe('what the tables hear while something is dragged', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  function dragged(problem: typeof beam) {
    const store = open(problem)
    const throttled = throttledStore(store)
    const heard: unknown[] = []
    const stop = throttled.subscribe((s) => heard.push(last(s.problem).x))
    const move = (x: number) =>
      store.getState().edit('move', (p) => edit.setNode(p, last(p).id, { x }), { merge: 'move' })
    return { store, throttled, heard, move, stop }
  }

  it('is each change, at once, in a small problem and in one at rest', () => {
    const small = dragged(beam)
    small.store.setState({ dragging: true })
    small.move(9)
    expect(small.heard.at(-1)).toBe(9)
    const rest = dragged(large)
    rest.move(20)
    expect(rest.heard.at(-1)).toBe(20)
    expect(rest.throttled.getState()).toBe(rest.store.getState())
  })

  it('is a few a second in a large one, all readers the same, and the last at the end', () => {
    const { store, throttled, heard, move } = dragged(large)
    store.setState({ dragging: true })
    const others: unknown[] = []
    throttled.subscribe((s) => others.push(last(s.problem).x))
    for (let k = 1; k <= 5; k++) move(20 + k)
    expect(heard).toEqual([])
    expect(last(throttled.getState().problem).x).toBe(last(large).x)
    vi.advanceTimersByTime(THROTTLE_MS)
    expect(heard).toEqual([25])
    expect(others).toEqual([25])
    move(30)
    store.setState({ dragging: false })
    expect(heard).toEqual([25, 30])
    expect(throttled.getState()).toBe(store.getState())
    vi.advanceTimersByTime(10 * THROTTLE_MS)
    expect(heard).toHaveLength(2)
  })

  it('edits through either are the same, and a reader that left hears nothing', () => {
    const { store, throttled, heard, stop } = dragged(beam)
    throttled.getState().edit('move', (p) => edit.setNode(p, 'C', { x: 7 }))
    expect(last(store.getState().problem).x).toBe(7)
    stop()
    store.getState().edit('move', (p) => edit.setNode(p, 'C', { x: 6 }))
    expect(heard).toEqual([7])
    expect(last(throttled.getState().problem).x).toBe(6)
  })
})
