import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, expect, inject, it, vi } from 'vitest'
import { compute } from '../../app/server/compute/pool.server'
import { query } from '../../app/server/database.server'
import { makeExamples } from '../../app/server/examples-ahead.server'
import { made, madeOf } from '../../app/server/made.server'
import { insertProblem, textById } from '../../app/server/problems.server'
import { HOME, HOUSE } from '../../app/server/people/person'

vi.mock('../../app/server/compute/pool.server', { spy: true })

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})

/** The example whose title begins so. */
async function example(title: string): Promise<string> {
  const [{ id }] = await query<RowDataPacket & { id: string }>(
    'SELECT id FROM problems WHERE owner = ? AND title LIKE ?',
    [HOUSE, `${title}%`],
  )
  return id
}

it('workings of the examples are made in quiet moments, and are there when they are asked for', async () => {
  const [palm, fern] = [await example('Palm house'), await example('Fern-walk')]
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
  expect(made).toBeGreaterThanOrEqual(50) // of the cases and combinations of sixteen examples
  expect(pause).toHaveBeenCalledTimes(made)
  const asked = async (id: string, caseId: string | null) => {
    const file = await madeOf(HOME, id, 'working', { form: 'pdf', caseId }, AbortSignal.timeout(5_000))
    return file.text()
  }
  // the page asks by the name of the case that it shows
  expect(await asked(palm, 'G')).toBe(await asked(palm, null))
  expect(await asked(fern, 'D')).toBe(await asked(fern, null))
  // each case and combination has its own
  expect(await asked(palm, 'U1')).not.toBe(await asked(palm, 'G'))
  expect(job).toHaveBeenCalledTimes(made)
  await asked(palm, 'another')
  expect(job).toHaveBeenCalledTimes(made + 1)
})

it('a copy has the file of what it is a copy of, until a word of it is changed', async () => {
  const job = vi.mocked(compute)
  job.mockReset()
  job.mockImplementation(() =>
    Promise.resolve({ body: Buffer.from('results'), type: 'application/pdf', name: 'a.pdf' }),
  )
  const found = (await textById(null, await example('Palm house')))!
  const asked = async (document: string) => {
    const id = await insertProblem(HOME, { title: found.title, document, words: '', kind: 'frame' })
    await made(HOME, id, 'marked', {}, AbortSignal.timeout(5_000))
  }
  await asked(found.document)
  await asked(found.document)
  expect(job).toHaveBeenCalledTimes(1)
  await asked(found.document.replace('5.2 m', '5.3 m'))
  expect(job).toHaveBeenCalledTimes(2)
})
