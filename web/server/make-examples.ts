import { mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { compute, endCompute, startCompute } from '../app/server/compute/pool.server'
import { keepMade, type Made } from '../app/server/made-before.server'
import { resultsOf, workingsOf } from '../app/server/reports'

// The last step of a build: the reports of the examples, which everybody opens, are made once for all copies
// and all starts of the server.

const here = import.meta.dirname
const examples = join(here, '../../database/demo')
const folder = join(here, 'examples')

/** The document as the database keeps it. */
const documents = readdirSync(examples)
  .filter((f) => f.endsWith('.viga.json'))
  .map((f) => JSON.stringify(JSON.parse(readFileSync(join(examples, f), 'utf8'))))

/** The working and the results of the case that the page shows first; the server makes the others in time. */
async function reportsOf(document: string): Promise<Made[]> {
  const [working] = workingsOf(document)
  const [results] = resultsOf(document)
  if (!working) return [] // there is no case yet
  return Promise.all([
    compute('working', { document, ...working.asked }).then((out) => ({ keys: working.keys, out })),
    compute('results', { document, ...results.asked }).then((out) => ({ keys: results.keys, out })),
  ])
}

let failed: unknown
startCompute(join(here, 'worker.js'), availableParallelism(), (error) => (failed ??= error))
mkdirSync(folder, { recursive: true })
const made = await Promise.all(documents.map(reportsOf))
await endCompute()
if (failed) throw failed
await keepMade(folder, made.flat())
