import { beforeAll, expect, inject, it, vi } from 'vitest'
import { compute } from '../../app/server/compute/pool.server'
import { makeExamples } from '../../app/server/examples-ahead.server'
import { madeOf } from '../../app/server/made.server'
import { HOME } from '../../app/server/people/person'
import { shelfPage } from '../../app/server/shelf.server'

vi.mock('../../app/server/compute/pool.server', { spy: true })

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})

it('workings of the examples are made in quiet moments, and are there when they are asked for', async () => {
  const { cards } = await shelfPage(HOME, {})
  const palm = cards.find(({ title }) => title.startsWith('Palm house'))!
  const fern = cards.find(({ title }) => title.startsWith('Fern-walk'))!
  const job = vi.mocked(compute)
  job.mockReset()
  job.mockImplementation(() =>
    Promise.resolve({
      body: Buffer.from(`${job.mock.calls.length}`),
      type: 'application/pdf',
      name: 'a.pdf',
    }),
  )
  const pause = vi.fn(() => Promise.resolve())
  await makeExamples(pause)
  const made = job.mock.calls.length
  expect(made).toBeGreaterThanOrEqual(16)
  expect(pause).toHaveBeenCalledTimes(made)
  const asked = async (id: string, caseId: string | null) => {
    const file = await madeOf(HOME, id, 'working', { form: 'pdf', caseId }, AbortSignal.timeout(5_000))
    return file.text()
  }
  // the page asks by the name of the case that it shows
  expect(await asked(palm.id, 'G')).toBe(await asked(palm.id, null))
  expect(await asked(fern.id, 'D')).toBe(await asked(fern.id, null))
  expect(job).toHaveBeenCalledTimes(made)
  await asked(palm.id, 'another')
  expect(job).toHaveBeenCalledTimes(made + 1)
})
