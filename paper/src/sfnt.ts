import { readFileSync } from 'node:fs'
import { inflateSync } from 'node:zlib'

const HEADER = 44
const ENTRY = 20

/**
 * A typeface of a WOFF file as the plain tables that PDF embeds, each inflated once: a document that opened
 * the WOFF itself would inflate them anew, in a script.
 * @param woff the bytes of a WOFF 1.0 file
 * @returns the bytes of the same typeface in the sfnt container (TrueType, OpenType)
 * @throws RangeError when these are no such bytes
 * Source: W3C, WOFF File Format 1.0, sections 3 to 5.
 */
export function sfntOf(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new RangeError('This is no WOFF file.')
  const flavour = woff.readUInt32BE(4)
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEADER + ENTRY * i
    const [offset, packed, length] = [4, 8, 12].map((k) => woff.readUInt32BE(at + k))
    const stored = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      body: packed < length ? inflateSync(stored) : stored,
    }
  })
  return joined(flavour, tables)
}

function joined(flavour: number, tables: { tag: Buffer; checksum: number; body: Buffer }[]): Buffer {
  const directory = 12 + 16 * tables.length
  const padded = (n: number) => (n + 3) & ~3
  const out = Buffer.alloc(tables.reduce((at, t) => at + padded(t.body.length), directory))
  const power = 2 ** Math.floor(Math.log2(tables.length))
  out.writeUInt32BE(flavour, 0)
  out.writeUInt16BE(tables.length, 4)
  out.writeUInt16BE(16 * power, 6)
  out.writeUInt16BE(Math.log2(power), 8)
  out.writeUInt16BE(16 * (tables.length - power), 10)
  let at = directory
  tables.forEach(({ tag, checksum, body }, i) => {
    const entry = 12 + 16 * i
    tag.copy(out, entry)
    out.writeUInt32BE(checksum, entry + 4)
    out.writeUInt32BE(at, entry + 8)
    out.writeUInt32BE(body.length, entry + 12)
    body.copy(out, at)
    at += padded(body.length)
  })
  return out
}

const read = new Map<string, Buffer>()

/** The bytes of a typeface's file, read once; those of a WOFF file as plain tables. */
export function typefaceBytes(file: string): Buffer {
  let bytes = read.get(file)
  if (!bytes) {
    const stored = readFileSync(file)
    read.set(file, (bytes = file.endsWith('.woff') ? sfntOf(stored) : stored))
  }
  return bytes
}
