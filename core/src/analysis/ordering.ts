import type { Graph } from './sparse.js'

/**
 * An order of elimination that keeps fill small: minimum approximate degree on the quotient graph, with
 * elements absorbed
 * and vertices that cannot be told apart merged.
 * Source: Davis, Direct Methods for Sparse Linear Systems, §7.1; Amestoy, Davis & Duff (1996) for the degree
 * bound.
 * @param weight how many rows each vertex stands for
 * @returns the vertices in the order in which to eliminate them
 */
export function fillReducingOrder({ start, to }: Graph, weight: Int32Array): Int32Array {
  const n = start.length - 1
  const q = quotientGraph(n, start, to, weight)
  const order = new Int32Array(n)
  let count = 0
  const followers: number[][] = Array.from({ length: n }, () => [])
  const write = (leader: number) => {
    const open = [leader]
    for (let v = open.pop(); v !== undefined; v = open.pop()) {
      order[count++] = v
      open.push(...followers[v])
    }
  }
  for (let p = q.smallest(); p >= 0; p = q.smallest()) {
    for (const [leader, follower] of eliminate(q, p)) followers[leader].push(follower)
    write(p)
  }
  return order
}

/**
 * The quotient graph: variables that are still to be eliminated, elements that represent the fill of
 * eliminated ones, and lists of variables by degree.
 */
interface Quotient {
  /** Rows a variable stands for, those merged into it counted; 0 when gone. */
  rows: Int32Array
  /** Neighbouring variables and elements of each variable. */
  variables: number[][]
  elements: number[][]
  /** Variables of each element; empty when absorbed. */
  members: number[][]
  degree: Int32Array
  /** The variable of least degree, −1 when none is left. */
  smallest(): number
  remove(v: number): void
  place(v: number, degree: number): void
  mark: Int32Array
  stamp: number
  outside: Int32Array
  outsideStamp: Int32Array
}

function quotientGraph(n: number, start: Int32Array, to: Int32Array, weight: Int32Array): Quotient {
  const rows = Int32Array.from(weight)
  let total = 1
  for (const w of rows) total += w
  const head = new Int32Array(total + 1).fill(-1)
  const next = new Int32Array(n).fill(-1)
  const previous = new Int32Array(n).fill(-1)
  const degree = new Int32Array(n).fill(-1)
  let lowest = 0
  const q: Quotient = {
    rows,
    variables: Array.from({ length: n }, (_, v) => Array.from(to.subarray(start[v], start[v + 1]))),
    elements: Array.from({ length: n }, () => []),
    members: Array.from({ length: n }, () => []),
    degree,
    mark: new Int32Array(n),
    stamp: 0,
    outside: new Int32Array(n),
    outsideStamp: new Int32Array(n),
    smallest() {
      while (lowest <= total && head[lowest] < 0) lowest++
      if (lowest > total) return -1
      return head[lowest]
    },
    remove(v) {
      const d = degree[v]
      if (d < 0) return
      if (previous[v] >= 0) next[previous[v]] = next[v]
      else head[d] = next[v]
      if (next[v] >= 0) previous[next[v]] = previous[v]
      degree[v] = -1
    },
    place(v, d) {
      q.remove(v)
      const at = Math.max(0, Math.min(d, total))
      degree[v] = at
      previous[v] = -1
      next[v] = head[at]
      if (head[at] >= 0) previous[head[at]] = v
      head[at] = v
      if (at < lowest) lowest = at
    },
  }
  for (let v = n - 1; v >= 0; v--) {
    let d = 0
    for (const u of q.variables[v]) d += rows[u]
    q.place(v, d)
  }
  return q
}

/**
 * Eliminates variable p: it becomes an element. Returns pairs of variables merged, the second into the first.
 */
function eliminate(q: Quotient, p: number): [number, number][] {
  const { rows, variables, elements, members, mark } = q
  const front: number[] = []
  const stamp = ++q.stamp
  mark[p] = stamp
  const take = (v: number) => {
    if (rows[v] === 0 || mark[v] === stamp) return
    mark[v] = stamp
    front.push(v)
  }
  for (const v of variables[p]) take(v)
  for (const e of elements[p]) {
    for (const v of members[e]) take(v)
    members[e] = []
  }
  q.remove(p)
  rows[p] = 0
  members[p] = front
  variables[p] = elements[p] = []
  let size = 0
  for (const v of front) size += rows[v]
  countOutside(q, front, stamp)
  for (const v of front) {
    // p's element stands for every edge between variables of its front
    variables[v] = variables[v].filter((u) => rows[u] > 0 && mark[u] !== stamp)
    const kept = [p]
    let degree = size - rows[v]
    for (const e of elements[v]) {
      if (e === p || members[e].length === 0) continue
      if (q.outside[e] === 0)
        members[e] = [] // wholly inside the new element: absorbed
      else {
        kept.push(e)
        degree += q.outside[e]
      }
    }
    elements[v] = kept
    for (const u of variables[v]) degree += rows[u]
    q.place(v, degree)
  }
  const merged = mergeAlike(q, front)
  members[p] = front.filter((v) => rows[v] > 0)
  return merged
}

/** For each element that touches the front: the rows it has outside of it. */
function countOutside(q: Quotient, front: number[], stamp: number) {
  for (const v of front)
    for (const e of q.elements[v]) {
      if (q.members[e].length === 0) continue
      if (q.outsideStamp[e] !== stamp) {
        q.outsideStamp[e] = stamp
        let all = 0
        for (const u of q.members[e]) all += q.rows[u]
        q.outside[e] = all
      }
      q.outside[e] -= q.rows[v]
    }
}

/**
 * Variables of a front with the same neighbours will be eliminated together: the later ones follow the first.
 */
function mergeAlike(q: Quotient, front: number[]): [number, number][] {
  const { rows, variables, elements } = q
  const merged: [number, number][] = []
  const buckets = new Map<number, number[]>()
  for (const v of front) {
    let hash = 0
    for (const u of variables[v]) hash += u + 1
    for (const e of elements[v]) hash += 31 * (e + 1)
    hash = 64 * hash + ((variables[v].length + 8 * elements[v].length) & 63)
    const alike = buckets.get(hash)
    if (!alike) {
      buckets.set(hash, [v])
      continue
    }
    const leader = alike.find((w) => sameNeighbours(q, w, v))
    if (leader === undefined) alike.push(v)
    else {
      q.place(leader, q.degree[leader] - rows[v])
      rows[leader] += rows[v]
      rows[v] = 0
      q.remove(v)
      variables[v] = elements[v] = []
      merged.push([leader, v])
    }
  }
  return merged
}

function sameNeighbours({ variables, elements }: Quotient, a: number, b: number): boolean {
  const same = (x: number[], y: number[]) => x.length === y.length && x.every((v) => y.includes(v))
  return same(variables[a], variables[b]) && same(elements[a], elements[b])
}
