/** A letter to a power, and where it stands among others. */
export interface Raised {
  name: string
  power: number
  rank: number
}

/** A term of a sum: its number, letters and square roots. */
export interface Term {
  number: string
  letters: Raised[]
  roots: string[]
  isNegative: boolean
}

/** The terms of a sum in their order; several with the same square roots are one product. */
export function grouped(terms: readonly Term[]): { text: string; isNegative: boolean }[] {
  const byRoots = new Map<string, Term[]>()
  for (const t of terms) {
    const key = t.roots.join('*')
    byRoots.set(key, [...(byRoots.get(key) ?? []), t])
  }
  return [...byRoots]
    .sort(([a], [b]) => a.length - b.length)
    .flatMap(([roots, group]) => {
      const ordered = [...group].sort(byLetters).sort((a, b) => Number(a.isNegative) - Number(b.isNegative))
      const written = ordered.map(({ number, letters, isNegative }) => {
        const factors = [...(roots && group.length === 1 ? [roots] : []), ...letters.map(raised)]
        return {
          text: (number === '1' && factors.length > 0 ? factors : [number, ...factors]).join('*'),
          isNegative,
        }
      })
      if (!roots || group.length === 1) return written
      return [{ text: `${roots}*(${joined(written)})`, isNegative: false }]
    })
    .sort((a, b) => Number(a.isNegative) - Number(b.isNegative))
}

/** Terms with higher powers of an earlier letter come first. */
function byLetters(a: Term, b: Term): number {
  const ranks = [...new Set([...a.letters, ...b.letters].map((l) => l.rank))].sort((x, y) => x - y)
  const power = (t: Term, rank: number) => t.letters.find((l) => l.rank === rank)?.power ?? 0
  for (const rank of ranks) if (power(a, rank) !== power(b, rank)) return power(b, rank) - power(a, rank)
  return 0
}

/** Whole numbers beyond this are written as decimals. */
export const LONGEST = 10n ** 12n

export const abs = (c: bigint) => (c < 0n ? -c : c)
export const raised = ({ name, power }: { name: string; power: number }) =>
  power === 1 ? name : `${name}^${power}`

/** A quotient of whole numbers to 17 digits. */
export function decimalOf(over: bigint, under: bigint): string {
  let shift = 0
  let scaled = over
  while (scaled / under < 10n ** 17n) {
    scaled *= 10n
    shift++
  }
  return String(Number(`${scaled / under}e-${shift}`))
}

/** A fraction of two products, each a whole number and what stands beside it. */
export function fraction(
  above: bigint,
  below: bigint,
  over: readonly string[],
  under: readonly string[],
): { text: string; isNegative: boolean } {
  const isNegative = above < 0n !== below < 0n
  let [n, d] = [abs(above), abs(below)]
  const isLong = n > LONGEST || d > LONGEST
  const number = isLong ? decimalOf(n, d) : n === 1n && over.length > 0 ? undefined : String(n)
  if (isLong) [n, d] = [1n, 1n]
  const top = [...(number === undefined ? [] : [number]), ...over].join('*')
  const bottom = [...(d === 1n ? [] : [String(d)]), ...under]
  if (bottom.length === 0) return { text: top, isNegative }
  return { text: `${top}/${bottom.length === 1 ? bottom[0] : `(${bottom.join('*')})`}`, isNegative }
}

export const joined = (terms: readonly { text: string; isNegative: boolean }[]): string =>
  terms
    .map(({ text, isNegative }, i) => (i === 0 ? (isNegative ? '-' : '') : isNegative ? ' - ' : ' + ') + text)
    .join('')
