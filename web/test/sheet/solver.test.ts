import { newProblem, type Outcome, type Problem } from '@viga/core'
import { afterEach, describe, expect, it, vi } from 'vitest'

const made: FakeWorker[] = []

/** A worker of which the test says whether it answers or fails. */
class FakeWorker extends EventTarget {
  static answers: (() => Promise<Outcome>)[] = []
  constructor() {
    super()
    made.push(this)
  }
  terminate = vi.fn()
  fail() {
    this.dispatchEvent(Object.assign(new Event('error'), { message: 'gone' }))
  }
}

vi.mock('comlink', () => ({
  wrap: () => ({ solve: () => FakeWorker.answers.shift()!() }),
}))

afterEach(() => {
  made.splice(0)
  vi.unstubAllGlobals()
  vi.resetModules()
})

const solved = (): Outcome => ({ stage: 'invalid', errors: [] })

describe('the worker that solves large problems', () => {
  it('is replaced when it fails, and the problem is solved in the new one', async () => {
    vi.stubGlobal('Worker', FakeWorker)
    const { solveNewest } = await import('../../app/sheet/solver')
    const done: [Problem, Outcome][] = []
    const solve = solveNewest((problem, outcome) => done.push([problem, outcome]))
    FakeWorker.answers = [
      () => new Promise(() => {}),
      () => Promise.resolve(solved()),
      () => Promise.resolve(solved()),
    ]
    const problem = newProblem()
    solve(problem)
    await vi.waitFor(() => expect(made).toHaveLength(1))
    await vi.waitFor(() => expect(FakeWorker.answers).toHaveLength(2))
    made[0].fail()
    await vi.waitFor(() => expect(done).toEqual([[problem, solved()]]))
    expect(made).toHaveLength(2)
    expect(made[0].terminate).toHaveBeenCalled()
    // what comes later is solved, too
    const next = newProblem('next')
    solve(next)
    await vi.waitFor(() => expect(done.at(-1)?.[0]).toBe(next))
  })
  it('is given up for a problem that every worker fails at, with a sentence', async () => {
    vi.stubGlobal('Worker', FakeWorker)
    const { solveNewest } = await import('../../app/sheet/solver')
    const done: Outcome[] = []
    const fail = () => Promise.reject(new Error('out of memory'))
    FakeWorker.answers = [fail, fail, fail]
    solveNewest((_, outcome) => done.push(outcome))(newProblem())
    await vi.waitFor(() => expect(done).toHaveLength(1))
    expect(done[0]).toMatchObject({
      stage: 'unsolved',
      error: { message: expect.stringContaining('out of memory') as string },
    })
  })
})
