import { judgeNumber } from '../checking/tolerance.js'
import { isRecord } from '../document/report.js'
import type { Problem } from '../document/types.js'
import { followingFrom } from '../methods/following.js'
import type { Ledger } from '../methods/ledger.js'
import type { Entry } from '../methods/numbers.js'
import { STIFFNESS_METHOD } from '../methods/stiffness/method.js'
import { makeReader } from '../quantity/reader.js'
import { siPerCoherent } from '../quantity/units.js'

/** The verdict on a number of a method's working; values in coherent units. */
export interface MarkedEntry {
  id: unknown
  given: number | null
  computed: number | null
  apart: number | null
  verdict: 'agrees' | 'differs' | 'follows' | 'unknown'
  /** The other entries, by id, from whose wrong values it follows. */
  from?: unknown[]
  reason?: string
}

/** An entry of an attempt that names a number of a working. */
interface Stated {
  id: unknown
  method: string
  entry: Entry
  book: Ledger
  /** In the problem's coherent units. */
  given: number
  judge(computed: number): ReturnType<typeof judgeNumber>
}

const unknown = (id: unknown, reason: string): MarkedEntry => ({
  ...{ id, given: null, computed: null, apart: null },
  ...{ verdict: 'unknown', reason },
})

/** An entry with the number it names, or the verdict where there is none. */
function stated(
  problem: Problem,
  value: unknown,
  bookOf: (method: string) => Ledger | undefined,
): Stated | MarkedEntry {
  const e = isRecord(value) ? value : {}
  const id = e.id ?? null
  const { method = STIFFNESS_METHOD.key, address, tolerance } = e
  if (typeof address !== 'string' || typeof method !== 'string')
    return unknown(id, 'An entry needs a method and an address.')
  const book = bookOf(method)
  const entry = book?.entry(address)
  if (!book || !entry) return unknown(id, `There is no number ${address} in this working.`)
  const { reader } = makeReader(problem.units, problem.symbols)
  const { dimension } = entry
  const read = reader.read(e.value, dimension)
  if (!read.ok) return unknown(id, read.message)
  const per = siPerCoherent(problem.units, dimension)
  const of = { value: e.value as string, tolerance: tolerance as string | undefined }
  return {
    ...{ id, method, entry, book, given: read.si / per },
    judge: (computed) => judgeNumber(of, read.si, computed * per, dimension, reader),
  }
}

/**
 * The verdicts on the numbers of workings that an attempt states. One that differs may still be what the
 * formula of the working gives with the other numbers of the attempt; it then follows from those that differ.
 */
export function judgeEntries(
  problem: Problem,
  entries: readonly unknown[],
  bookOf: (method: string) => Ledger | undefined,
): MarkedEntry[] {
  const all = entries.map((e) => stated(problem, e, bookOf))
  const marked = all.map((e) => ('verdict' in e ? e : againstKey(e)))
  const wrong = all.filter((e, i): e is Stated => !('verdict' in e) && marked[i].verdict === 'differs')
  return all.map((e, i) => {
    if ('verdict' in e || marked[i].verdict !== 'differs') return marked[i]
    const others = wrong.filter((o) => o.method === e.method && o.entry.address !== e.entry.address)
    const given = new Map(others.map((o) => [o.entry.address, o.given]))
    // a wrong length need not have entered the cosine, which a hand solution reads off the figure
    const found = [Infinity, 1]
      .map((within) => followingFrom(e.book, given, within)(e.entry.address))
      .find((f) => f?.from.length && agreesWith(e, f.value))
    if (!found) return marked[i]
    const from = others.filter((o) => found.from.includes(o.entry.address)).map((o) => o.id)
    return { ...marked[i], verdict: 'follows', from }
  })
}

function agreesWith({ judge }: Stated, value: number): boolean {
  const judged = judge(value)
  return !('reason' in judged) && judged.agrees
}

function againstKey({ id, entry, given, judge }: Stated): MarkedEntry {
  const judged = judge(entry.value)
  if ('reason' in judged) return unknown(id, judged.reason)
  const { agrees, apart } = judged
  return { id, given, computed: entry.value, apart, verdict: agrees ? 'agrees' : 'differs' }
}
