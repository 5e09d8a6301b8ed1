/**
 * Reverse Cuthill–McKee order of a graph, so that neighbours get near numbers and the profile of the matrix stays small.
 * Source: Davis, Direct Methods for Sparse Linear Systems, ch. 7; George & Liu for the choice of the first vertex.
 * @param n number of vertices
 * @param edges pairs of vertices, flat: [a0, b0, a1, b1, …]
 * @returns the vertices in their new order
 */
export function narrowOrder(n: number, edges: ArrayLike<number>): Int32Array {
  const { start, to } = adjacency(n, edges)
  const degree = (v: number) => start[v + 1] - start[v]
  const order = new Int32Array(n)
  const seen = new Uint8Array(n)
  let count = 0

  /** Vertices by level from a root; fills `out` from `at`, returns the end and the number of levels. */
  const sweep = (root: number, out: Int32Array, at: number, mark: Uint8Array, stamp: number) => {
    let end = at
    out[end++] = root
    mark[root] = stamp
    let levels = 0
    let levelStart = at
    while (levelStart < end) {
      const levelEnd = end
      levels++
      for (let i = levelStart; i < levelEnd; i++) {
        const first = end
        for (let e = start[out[i]]; e < start[out[i] + 1]; e++)
          if (mark[to[e]] !== stamp) {
            mark[to[e]] = stamp
            out[end++] = to[e]
          }
        out.subarray(first, end).sort((a, b) => degree(a) - degree(b))
      }
      levelStart = levelEnd === end ? end : levelEnd
    }
    return { end, levels }
  }

  const trial = new Int32Array(n)
  const mark = new Uint8Array(n)
  let stamp = 0
  for (let v = 0; v < n; v++) {
    if (seen[v]) continue
    // a vertex at the far end of the component gives long, thin levels
    let root = v
    let depth = 0
    for (let tries = 0; tries < 4; tries++) {
      stamp = (stamp % 254) + 1
      mark.fill(0)
      const { end, levels } = sweep(root, trial, 0, mark, stamp)
      if (levels <= depth) break
      depth = levels
      root = trial[end - 1]
    }
    count = sweep(root, order, count, seen, 1).end
  }
  return order.reverse()
}

function adjacency(n: number, edges: ArrayLike<number>) {
  const start = new Int32Array(n + 1)
  for (let i = 0; i < edges.length; i++) start[edges[i] + 1]++
  for (let v = 0; v < n; v++) start[v + 1] += start[v]
  const to = new Int32Array(edges.length)
  const next = start.slice()
  for (let i = 0; i < edges.length; i += 2) {
    to[next[edges[i]]++] = edges[i + 1]
    to[next[edges[i + 1]]++] = edges[i]
  }
  return { start, to }
}
