import type { Dimension } from '../quantity/dimension.js'
import type { ThingKey } from '../document/thing.js'
import { addressOf, readAddress } from './address.js'
import type { Formula, Letter, LetterName } from './expression.js'
import { createLedger, type Ledger, type MethodStep } from './ledger.js'
import type { Task } from './method.js'
import { actingOf, type BookContext, type Found, type KindIn } from './numbers.js'

/** A number that a method notes as it finds it. */
export interface Note {
  symbol: LetterName
  /** In SI. */
  si: number
  dimension: Dimension
  /**
   * Its formula, with the letters of other numbers by their addresses; or a sentence that says where it is
   * from.
   */
  from: string | ((letter: (address: string) => Letter) => Formula)
  /** A sentence beside the formula. */
  words?: string
  /** The things of the structure it belongs to. */
  of?: ThingKey[]
}

/** The numbers of a method that computes all of them before it is read: each by its address. */
export class Notes {
  private readonly all = new Map<string, Note>()

  /** Notes a number; returns its address. */
  put(address: readonly (string | number)[], note: Note): string {
    const text = addressOf(...address)
    this.all.set(text, note)
    return text
  }

  /** The value in SI of a number that was noted. */
  si(address: string): number {
    const note = this.all.get(address)
    if (!note) throw new Error(`Nothing is noted at ${address}.`)
    return note.si
  }

  /** The kinds of number that a ledger looks them up by. */
  kinds(): Record<string, KindIn<BookContext>> {
    const names = new Set([...this.all.keys()].map((a) => readAddress(a).kind))
    return Object.fromEntries(
      [...names].map((name) => [
        name,
        {
          find: (c: BookContext, ...parts: string[]) => this.found(c, addressOf(name, ...parts)),
          belongs: (_: BookContext, ...parts: string[]) => this.all.get(addressOf(name, ...parts))?.of ?? [],
        },
      ]),
    )
  }

  private found(c: BookContext, address: string): Found | undefined {
    const note = this.all.get(address)
    if (!note) return undefined
    const { symbol, si, dimension, from, words } = note
    return {
      symbol,
      si,
      dimension,
      origin: () =>
        typeof from === 'string'
          ? { kind: 'stated', words: from }
          : { kind: 'formula', formula: from((a) => c.letterAt(a)), ...(words ? { words } : {}) },
    }
  }
}

/** The ledger of a method whose numbers are noted. */
export function notedLedger(
  method: { key: string; title: string },
  steps: readonly MethodStep[],
  notes: Notes,
  { problem, structure, action }: Task,
): Ledger {
  return createLedger({
    method,
    kinds: notes.kinds(),
    steps,
    structure,
    acting: actingOf(structure, action)!,
    units: problem.units,
    problem,
    own: (base) => base,
  })
}
