import type { Block, Cell, Passage, Unknown } from './blocks.js'
import type { Ledger } from './ledger.js'

type BlockOf<K extends Block['kind']> = Extract<Block, { kind: K }>

/**
 * What somebody who renders a working does with each kind of block. `within` is the member the block speaks
 * of, whose name its letters need not carry. The page, the PDF, LaTeX and Markdown are one of these each.
 */
export type BlockVisitor<T> = { [K in Block['kind']]: (block: BlockOf<K>, within?: string) => T }

export const visitBlock = <T>(block: Block, visitor: BlockVisitor<T>, within?: string): T =>
  (visitor[block.kind] as (block: Block, within?: string) => T)(block, within)

/** Visits the blocks of a passage in their order, by the name of the passage's member where it has one. */
export function visitPassage<T>(book: Ledger, passage: Passage, visitor: BlockVisitor<T>): T[] {
  const { members } = book.context.structure
  const within = passage.member === undefined ? undefined : members[passage.member].id
  return passage.blocks.map((b) => visitBlock(b, visitor, within))
}

/** What is done with each kind of cell of a table. */
export interface CellVisitor<T> {
  words: (words: string) => T
  unknown: (unknown: Unknown) => T
  number: (address: string, bare: boolean) => T
}

export const visitCell = <T>(cell: Cell, visitor: CellVisitor<T>): T =>
  typeof cell === 'string'
    ? visitor.words(cell)
    : 'unknown' in cell
      ? visitor.unknown(cell.unknown)
      : visitor.number(cell.at, cell.bare ?? false)

/** The addresses of all numbers that a block shows, in the order they are read. */
export const addressesOf = (block: Block): string[] => visitBlock(block, ADDRESSES)

const ADDRESSES: BlockVisitor<string[]> = {
  words: () => [],
  equation: () => [],
  lines: (b) => b.addresses,
  polynomial: (b) => b.coefficients,
  body: () => [],
  polygon: () => [],
  drawing: (b) => b.forces.map((f) => f.at),
  chart: (b) => b.roots.map((r) => r.at),
  matrix: (b) => b.rows.flatMap((_, i) => b.columns.map((__, j) => b.at(i, j))),
  table: (b) =>
    b.rows.flatMap((row) =>
      row.flatMap((c) => visitCell(c, { words: () => [], unknown: () => [], number: (at) => [at] })),
    ),
}
