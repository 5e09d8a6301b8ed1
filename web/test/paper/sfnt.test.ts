import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { expect, it } from 'vitest'
import { sfntOf, typefaceBytes } from '@viga/paper/sfnt'

const folder = dirname(createRequire(import.meta.url).resolve('@fontsource/ibm-plex-serif/package.json'))
const file = join(folder, 'files/ibm-plex-serif-latin-400-normal.woff')

/** The sum of a table's words, as an sfnt file states it for each. */
function checksum(bytes: Buffer): number {
  let sum = 0
  for (let i = 0; i < bytes.length; i += 4) sum = (sum + bytes.readUInt32BE(i)) >>> 0
  return sum
}

it('a WOFF file becomes the same tables, each with the checksum that its directory states', () => {
  const sfnt = sfntOf(readFileSync(file))
  const count = sfnt.readUInt16BE(4)
  const tags = new Map<string, number>()
  for (let i = 0; i < count; i++) {
    const at = 12 + 16 * i
    const tag = sfnt.toString('latin1', at, at + 4)
    const [sum, offset, length] = [4, 8, 12].map((k) => sfnt.readUInt32BE(at + k))
    tags.set(tag, length)
    const padded = sfnt.subarray(offset, (offset + length + 3) & ~3)
    // the head's own sum is taken with its adjustment as zero
    if (tag !== 'head') expect(checksum(padded), tag).toBe(sum)
  }
  expect([...tags.keys()]).toEqual(expect.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'name']))
})

it('is read once, and what is no WOFF file is refused', () => {
  expect(typefaceBytes(file)).toBe(typefaceBytes(file))
  expect(() => sfntOf(Buffer.from('nothing of the kind, but long enough to be one'))).toThrow(RangeError)
})
