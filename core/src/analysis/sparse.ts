/**
 * A sparse symmetric matrix as a list of entries of its lower or upper triangle; entries at the same place
 * add up. Rows that always occur together (the displacements of a joint) may share a site, which makes
 * ordering them cheaper.
 */
export interface SparseSymmetric {
  n: number
  /** Number of entries in use. */
  count: number
  row: Int32Array
  column: Int32Array
  value: Float64Array
  /** Site of each row, 0 … sites − 1. */
  site: Int32Array
  sites: number
}

/**
 * An empty matrix of n rows, each its own site unless said otherwise, with room for `capacity` entries to
 * begin with.
 */
export function sparse(n: number, capacity: number, site?: Int32Array, sites = n): SparseSymmetric {
  const room = Math.max(capacity, 16)
  return {
    n,
    count: 0,
    row: new Int32Array(room),
    column: new Int32Array(room),
    value: new Float64Array(room),
    site: site ?? Int32Array.from({ length: n }, (_, i) => i),
    sites,
  }
}

/** Adds v to the entry (i, j) and, by symmetry, (j, i). Each pair is passed once. */
export function add(a: SparseSymmetric, i: number, j: number, v: number) {
  if (a.count === a.row.length) grow(a)
  a.row[a.count] = i
  a.column[a.count] = j
  a.value[a.count++] = v
}

function grow(a: SparseSymmetric) {
  const longer = <T extends Int32Array | Float64Array>(from: T, to: T): T => (to.set(from), to)
  const room = 2 * a.row.length
  a.row = longer(a.row, new Int32Array(room))
  a.column = longer(a.column, new Int32Array(room))
  a.value = longer(a.value, new Float64Array(room))
}

/** A graph: neighbours of v are to[start[v]] … to[start[v + 1] − 1], each once, without v itself. */
export interface Graph {
  start: Int32Array
  to: Int32Array
}

/** The graph of the sites: two are neighbours when the matrix has an entry between them. */
export function siteGraph({ sites, site, row, column, count }: SparseSymmetric): Graph {
  const start = new Int32Array(sites + 1)
  for (let k = 0; k < count; k++) {
    const a = site[row[k]]
    const b = site[column[k]]
    if (a === b) continue
    start[a + 1]++
    start[b + 1]++
  }
  for (let v = 0; v < sites; v++) start[v + 1] += start[v]
  const all = new Int32Array(start[sites])
  const next = start.slice()
  for (let k = 0; k < count; k++) {
    const a = site[row[k]]
    const b = site[column[k]]
    if (a === b) continue
    all[next[a]++] = b
    all[next[b]++] = a
  }
  return withoutRepeats(start, all)
}

function withoutRepeats(start: Int32Array, all: Int32Array): Graph {
  const n = start.length - 1
  const seen = new Int32Array(n).fill(-1)
  const out = new Int32Array(n + 1)
  let size = 0
  for (let v = 0; v < n; v++) {
    for (let e = start[v]; e < start[v + 1]; e++) {
      if (seen[all[e]] === v) continue
      seen[all[e]] = v
      all[size++] = all[e] // size never passes e
    }
    out[v + 1] = size
  }
  return { start: out, to: all.slice(0, size) }
}
