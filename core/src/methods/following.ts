import { evaluateFormula } from './expression.js'
import type { Ledger } from './ledger.js'

/** A number of a working as it follows from others that were put in place of the working's own. */
export interface Following {
  /** In the problem's coherent units. */
  value: number
  /** The addresses of the numbers put in that it is made of. */
  from: readonly string[]
}

/** More numbers than these are not followed through a working, which bounds the time for a sheet. */
const MOST = 20_000

/**
 * Finds what numbers of a working become when some of them are put in place of its own, by its formulas. A
 * number that is stated or solved together with others stays what it is, and so does one that is put in.
 * @param given the numbers put in, coherent, by their addresses
 * @param within how many formulas deep they are put in: 1 is the formula of the number itself alone
 * @returns the number at an address, found without what is put in there; undefined where it has no formula
 */
export function followingFrom(
  book: Ledger,
  given: ReadonlyMap<string, number>,
  within = Infinity,
): (address: string) => Following | undefined {
  const known = new Map<string, Following>()
  const look = (address: string, depth: number): Following => {
    const put = given.get(address)
    if (put !== undefined) return { value: put, from: [address] }
    let found = known.get(address)
    if (!found) {
      found = (depth < within && derived(address, depth + 1)) || {
        value: book.entry(address)!.value,
        from: [],
      }
      known.set(address, found)
    }
    return found
  }
  const derived = (address: string, depth = 1): Following | undefined => {
    if (known.size > MOST) return undefined
    const { origin, value: own } = book.origin(address)
    if (origin.kind !== 'formula') return undefined
    const from = new Set<string>()
    const { value } = evaluateFormula(origin.formula, undefined, (letter) => {
      // a letter of a whole matrix stands for no number
      if (letter.address === '') return letter.value
      const part = look(letter.address, depth)
      part.from.forEach((a) => from.add(a))
      return part.value
    })
    return from.size ? { value, from: [...from] } : { value: own, from: [] }
  }
  return derived
}
