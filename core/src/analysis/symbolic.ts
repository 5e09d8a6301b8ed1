import { fillReducingOrder } from './ordering.js'
import { siteGraph, type SparseSymmetric } from './sparse.js'

/** Columns of L with the same rows below them, kept together as one dense panel. */
export interface Supernode {
  /** First column, and how many. */
  from: number
  columns: number
  /** Rows of the panel in the new order: the columns themselves first, then the rows below, ascending. */
  rows: Int32Array
  /** The supernodes whose updates are added to this one. */
  children: number[]
  /** Where the panel begins in the values of L; row by row, `columns` wide. */
  at: number
}

/** The pattern of L, which is known before its numbers. */
export interface Symbolic {
  n: number
  /** Place of each row of the matrix in the new order. */
  place: Int32Array
  /** Children before their parents. */
  supernodes: Supernode[]
  /** Length of all panels together. */
  size: number
}

/** Whether two matrices have their entries at the same places, stated in the same order. */
export function samePattern(a: SparseSymmetric, b: SparseSymmetric): boolean {
  if (a.n !== b.n || a.count !== b.count || a.sites !== b.sites) return false
  for (let i = 0; i < a.n; i++) if (a.site[i] !== b.site[i]) return false
  for (let e = 0; e < a.count; e++) if (a.row[e] !== b.row[e] || a.column[e] !== b.column[e]) return false
  return true
}

/** A column structure while supernodes are gathered: sites to eliminate together, sites below. */
interface Block {
  sites: number[]
  below: Int32Array
  rows: number
  rowsBelow: number
  /** Places of its panel that are zero in L. */
  zeros: number
  children: number[]
}

/**
 * Orders the matrix, finds the structure of its factor and gathers columns to supernodes. Source: Davis,
 * Direct Methods for Sparse Linear Systems, ch. 4 and 9 (elimination tree, supernodes, amalgamation).
 */
export function analyse(a: SparseSymmetric): Symbolic {
  const weight = new Int32Array(a.sites)
  for (let i = 0; i < a.n; i++) weight[a.site[i]]++
  const graph = siteGraph(a)
  const order = fillReducingOrder(graph, weight)
  const rank = new Int32Array(a.sites)
  order.forEach((v, i) => (rank[v] = i))
  const { blocks, roots } = gather(graph, order, rank, weight)
  return numbered(a, blocks, roots, order, weight)
}

/**
 * How many zeros the panel of a child merged into its parent would hold: those of the two, and those that
 * come with merging.
 */
const zerosMerged = (child: Block, parent: Block): number =>
  child.zeros + parent.zeros + child.rows * (parent.rows + parent.rowsBelow - child.rowsBelow)

/**
 * A few stored zeros cost less than one more small panel. The larger the panel, the smaller the share of
 * zeros that is allowed.
 */
function worthMerging(child: Block, parent: Block): boolean {
  const columns = child.rows + parent.rows
  const stored = (columns * (columns + 1)) / 2 + columns * parent.rowsBelow
  const share = zerosMerged(child, parent) / stored
  return share === 0 || share < (columns <= 12 ? 0.4 : columns <= 24 ? 0.2 : columns <= 60 ? 0.1 : 0.05)
}

/**
 * Column structures from the leaves up. A block is merged with a child where that saves time. Indices are
 * ranks in the order.
 */
function gather(
  graph: { start: Int32Array; to: Int32Array },
  order: Int32Array,
  rank: Int32Array,
  weight: Int32Array,
) {
  const n = order.length
  const children: number[][] = Array.from({ length: n }, () => [])
  const blocks: (Block | undefined)[] = []
  const roots: number[] = []
  const mark = new Int32Array(n).fill(-1)
  for (let k = 0; k < n; k++) {
    const v = order[k]
    const below: number[] = []
    mark[k] = k
    const take = (r: number) => {
      if (r <= k || mark[r] === k) return
      mark[r] = k
      below.push(r)
    }
    for (let e = graph.start[v]; e < graph.start[v + 1]; e++) take(rank[graph.to[e]])
    for (const c of children[k]) blocks[c]!.below.forEach(take)
    below.sort((x, y) => x - y)
    let rowsBelow = 0
    for (const r of below) rowsBelow += weight[order[r]]
    const block: Block = {
      sites: [k],
      below: Int32Array.from(below),
      rows: weight[v],
      rowsBelow,
      zeros: 0,
      children: [],
    }
    // the largest child first: it gains most
    for (const c of children[k].sort((x, y) => blocks[y]!.rowsBelow - blocks[x]!.rowsBelow)) {
      const child = blocks[c]!
      if (!worthMerging(child, block)) {
        block.children.push(c)
        continue
      }
      block.sites.unshift(...child.sites)
      block.zeros = zerosMerged(child, block)
      block.rows += child.rows
      block.children.push(...child.children)
      blocks[c] = undefined
    }
    blocks[k] = block
    if (below.length) children[below[0]].push(k)
    else roots.push(k)
  }
  return { blocks, roots }
}

/** The final numbering: blocks in postorder, so that the columns of each stand side by side. */
function numbered(
  a: SparseSymmetric,
  blocks: (Block | undefined)[],
  roots: number[],
  order: Int32Array,
  weight: Int32Array,
): Symbolic {
  const first = new Int32Array(a.sites) // first row of each rank
  const sequence: number[] = []
  const indexOf = new Map<number, number>()
  const open = [...roots].reverse()
  const entered = new Uint8Array(blocks.length)
  while (open.length) {
    const b = open[open.length - 1]
    const block = blocks[b]!
    if (!entered[b]) {
      entered[b] = 1
      for (const c of block.children) open.push(c)
      continue
    }
    open.pop()
    indexOf.set(b, sequence.length)
    sequence.push(b)
  }
  let next = 0
  for (const b of sequence)
    for (const r of blocks[b]!.sites) {
      first[r] = next
      next += weight[order[r]]
    }
  const within = new Int32Array(a.sites)
  const rankOf = new Int32Array(a.sites)
  order.forEach((v, r) => (rankOf[v] = r))
  const place = Int32Array.from({ length: a.n }, (_, i) => first[rankOf[a.site[i]]] + within[a.site[i]]++)
  let size = 0
  const supernodes = sequence.map((b): Supernode => {
    const { sites, below, rows, rowsBelow, children } = blocks[b]!
    const list = new Int32Array(rows + rowsBelow)
    let at = 0
    const put = (r: number) => {
      for (let i = 0; i < weight[order[r]]; i++) list[at++] = first[r] + i
    }
    sites.forEach(put)
    below.forEach(put)
    list.subarray(rows).sort()
    const node = {
      from: first[sites[0]],
      columns: rows,
      rows: list,
      children: children.map((c) => indexOf.get(c)!),
      at: size,
    }
    size += rows * list.length
    return node
  })
  return { n: a.n, place, supernodes, size }
}
