import { expect, it } from 'vitest'
import { InFlushes } from '../../app/server/in-flushes.server'

/** What comes out, part by part. */
function parts(stream: InFlushes): string[] {
  const out: string[] = []
  stream.on('data', (part: Buffer) => out.push(String(part)))
  return out
}

it('what is written comes out in one part for each flush, and the rest at the end', async () => {
  const stream = new InFlushes()
  const out = parts(stream)
  for (const word of ['<main>', 'a', 'b']) stream.write(word)
  await new Promise(setImmediate)
  expect(out).toEqual([])
  stream.flush()
  stream.flush() // with nothing new
  stream.write('c')
  stream.write('</main>')
  stream.end()
  await new Promise((resolve) => stream.once('end', resolve))
  expect(out).toEqual(['<main>ab', 'c</main>'])
})

it('an end without anything written has no part', async () => {
  const stream = new InFlushes()
  const out = parts(stream)
  stream.end()
  await new Promise((resolve) => stream.once('end', resolve))
  expect(out).toEqual([])
})
