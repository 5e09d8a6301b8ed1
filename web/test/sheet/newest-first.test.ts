import { describe, expect, it } from 'vitest'
import { newestFirst } from '../../app/sheet/newest-first'

/** A line, and the order in which its tasks are begun. */
function line() {
  const begun: string[] = []
  const take = newestFirst()
  const ask = (name: string, rank: number) =>
    take(rank, async () => {
      begun.push(name)
      await Promise.resolve()
      if (name === 'bad') throw new Error('it cannot be done')
      return name
    })
  return { begun, ask }
}

describe('a line of tasks, the newest first', () => {
  it('ends what it has begun, then does the lowest rank first and of these the newest', async () => {
    const { begun, ask } = line()
    const asked = [ask('first', 1), ask('a', 1), ask('b', 0), ask('c', 1), ask('d', 0)]
    expect(await Promise.all(asked)).toEqual(['first', 'a', 'b', 'c', 'd'])
    expect(begun).toEqual(['first', 'd', 'b', 'c', 'a'])
  })

  it('begins the next before those who wait for the last hear of it', async () => {
    const { begun, ask } = line()
    const heard = ask('curves', 0).then(() => [...begun])
    await ask('tables', 1)
    expect(await heard).toEqual(['curves', 'tables'])
  })

  it('says when a task fails, and goes on with the next', async () => {
    const { ask } = line()
    const [bad, good] = [ask('bad', 0), ask('good', 0)]
    await expect(bad).rejects.toThrow('it cannot be done')
    expect(await good).toBe('good')
    expect(await ask('later', 3)).toBe('later')
  })
})
