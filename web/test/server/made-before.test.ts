import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeAll, expect, inject, it, vi } from 'vitest'
import { compute } from '../../app/server/compute/pool.server'
import { makeExamples } from '../../app/server/examples-ahead.server'
import { keepMade, keyOf, useMadeBefore } from '../../app/server/made-before.server'
import { madeOf } from '../../app/server/made.server'
import { HOME } from '../../app/server/people/person'
import { insertProblem } from '../../app/server/problems.server'
import { resultsOf, workingsOf } from '../../app/server/reports'

vi.mock('../../app/server/compute/pool.server', { spy: true })

const job = vi.mocked(compute)
const folder = mkdtempSync(join(tmpdir(), 'viga-made-'))

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
  job.mockImplementation(() =>
    Promise.resolve({ body: Buffer.from('made now'), type: 'application/pdf', name: 'now.pdf' }),
  )
  return () => rmSync(folder, { recursive: true })
})
afterEach(() => {
  useMadeBefore(join(folder, 'none'))
  job.mockClear()
})

const document = JSON.stringify({
  title: 'A shelf bracket',
  loadCases: [{ id: 'D' }, { id: 'S' }],
  combinations: [{ id: 'U' }],
})
const pdf = (words: string) => ({ body: Buffer.from(words), type: 'application/pdf', name: 'bracket.pdf' })

/** What a person is given who asks for a working of the bracket. */
async function asked(caseId: string | null, of = document) {
  const id = await insertProblem(HOME, { title: 'A shelf bracket', document: of, words: '', kind: 'frame' })
  return madeOf(HOME, id, 'working', { form: 'pdf', caseId }, AbortSignal.timeout(5_000))
}

it('a file that was made with the build is given out, under each of its keys', async () => {
  const [first, second] = workingsOf(document)
  await keepMade(folder, [
    { keys: first.keys, out: pdf('of D') },
    { keys: second.keys, out: { message: 'This problem has no solution yet.', status: 400 } },
  ])
  useMadeBefore(folder)
  const file = await asked('D')
  expect(await file.text()).toBe('of D')
  expect(file.headers.get('Content-Type')).toBe('application/pdf')
  expect(file.headers.get('Content-Disposition')).toContain('bracket.pdf')
  expect(await (await asked(null)).text()).toBe('of D')
  expect(job).not.toHaveBeenCalled()
  // what could not be made, another case and another statement are made when they are asked for
  expect(await (await asked('S')).text()).toBe('made now')
  expect(await (await asked('U')).text()).toBe('made now')
  expect(await (await asked('D', document.replace('bracket', 'rack'))).text()).toBe('made now')
  expect(job).toHaveBeenCalledTimes(3)
})

it('a build without such files makes each when it is asked for', async () => {
  useMadeBefore(join(folder, 'none'))
  const other = document.replace('shelf', 'wall')
  expect(await (await asked('D', other)).text()).toBe('made now')
  expect(job).toHaveBeenCalledOnce()
})

it('an example whose working was made with the build is not made again', async () => {
  const pause = vi.fn(() => Promise.resolve())
  await makeExamples(pause)
  const examples = new Map(job.mock.calls.map(([, input]) => [(input as { document: string }).document, 0]))
  expect(examples.size).toBeGreaterThanOrEqual(16) // other tests share the database
  const all = job.mock.calls.length
  job.mockClear()
  const made = [...examples.keys()].map((d) => ({ keys: workingsOf(d)[0].keys, out: pdf('made before') }))
  await keepMade(folder, made)
  useMadeBefore(folder)
  await makeExamples(pause)
  expect(job).toHaveBeenCalledTimes(all - examples.size)
})

it('reports are kept by all that the pages ask for', () => {
  expect(workingsOf(document).map((w) => w.keys.length)).toEqual([2, 1, 1])
  expect(workingsOf(document)[1].keys).toEqual([keyOf(document, 'working', { form: 'pdf', caseId: 'S' })])
  expect(resultsOf(document).map((r) => r.asked.asked.case)).toEqual(['D', 'S', 'U'])
  expect(workingsOf('{}')).toEqual([])
})
