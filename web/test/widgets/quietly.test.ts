import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { quietly } from '../../app/widgets/quietly'

type Idle = (moment: { timeRemaining: () => number }) => void
const waiting = new Map<number, { then: Idle; timeout?: number }>()

beforeEach(() => {
  vi.useFakeTimers()
  const idle = (then: Idle, options?: { timeout?: number }) => {
    waiting.set(waiting.size + 1, { then, timeout: options?.timeout })
    return waiting.size
  }
  vi.stubGlobal('window', { requestIdleCallback: idle })
  vi.stubGlobal('requestIdleCallback', idle)
  vi.stubGlobal('cancelIdleCallback', (n: number) => void waiting.delete(n))
})
afterEach(() => {
  waiting.clear()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

it('a task runs in an idle moment, which says how much of it is left, and at last in any', () => {
  const task = vi.fn((remaining: () => number) => remaining())
  quietly(task)
  expect(task).not.toHaveBeenCalled()
  const [{ then, timeout }] = waiting.values()
  expect(timeout).toBeGreaterThan(0)
  then({ timeRemaining: () => 12 })
  expect(task).toHaveReturnedWith(12)
})

it('a task that is cancelled does not run', () => {
  const cancel = quietly(vi.fn())
  expect(waiting.size).toBe(1)
  cancel()
  expect(waiting.size).toBe(0)
})

it('a browser that knows no idle moments runs it a little later, with no time left', () => {
  vi.stubGlobal('window', {})
  const task = vi.fn((remaining: () => number) => remaining())
  quietly(task)
  const given = vi.fn()
  quietly(given)()
  vi.runAllTimers()
  expect(task).toHaveReturnedWith(0)
  expect(given).not.toHaveBeenCalled()
})
