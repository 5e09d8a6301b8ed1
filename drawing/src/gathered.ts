import { lookOf, type Group, type Mark, type PathMark } from './marks'

/**
 * Groups whose marks are drawn together: one path for each look, under what followed them and over what went
 * before.
 */
export interface Bundle {
  key: string
  groups: readonly Group[]
  paths: PathMark[]
  /** Diagrams: pulled away from their members they grow. */
  diagram: boolean
}

/** The marks of a group by their looks, in drawing order; nothing for words and for what swings. */
function looksOf(marks: readonly Mark[]): Map<string, PathMark[]> | undefined {
  const out = new Map<string, PathMark[]>()
  let last = ''
  for (const m of marks) {
    if (m.t === 'text' || m.rest !== undefined) return undefined
    const look = lookOf(m)
    const known = out.get(look)
    // a look that comes back over another one cannot be moved under it
    if (known && look !== last) return undefined
    if (known) known.push(m)
    else out.set(look, [m])
    last = look
  }
  return out
}

/** The longer of two orders of looks, when the other is a part of it in the same order. */
function joined(a: readonly string[], b: readonly string[]): readonly string[] | undefined {
  const [long, short] = a.length < b.length ? [b, a] : [a, b]
  let from = 0
  for (const look of short) {
    const at = long.indexOf(look, from)
    if (at < 0) return undefined
    from = at + 1
  }
  return long
}

interface Run {
  first: Group
  groups: Group[]
  order: readonly string[]
  paths: Map<string, { mark: PathMark; d: string[] }>
}

/**
 * A drawing of thousands of marks as few paths: a browser takes in and paints one long path much faster than
 * thousands of short ones. Groups that follow upon another and are drawn in the same looks become one bundle;
 * their order among the others is kept.
 */
export function gathered(groups: readonly Group[]): Bundle[] {
  const out: Bundle[] = []
  let run: Run | undefined
  const close = () => {
    if (run) out.push(bundleOf(run))
    run = undefined
  }
  for (const g of groups) {
    const looks = looksOf(g.marks)
    if (!looks) {
      close()
      out.push({ key: g.key, groups: [g], paths: [], diagram: false })
      continue
    }
    const order: readonly string[] | undefined =
      run && run.first.diagram === g.diagram ? joined(run.order, [...looks.keys()]) : undefined
    if (!order) close()
    run = { ...(run ?? { first: g, groups: [], paths: new Map() }), order: order ?? [...looks.keys()] }
    run.groups.push(g)
    for (const [look, marks] of looks) {
      const known = run.paths.get(look) ?? { mark: marks[0], d: [] }
      run.paths.set(look, known)
      for (const m of marks) known.d.push(m.d)
    }
  }
  close()
  return out
}

/**
 * Outlines of diagrams are no wider than this, px. A line of one pixel is painted from point to point; a
 * wider one is a polygon with joints, which takes a browser without a graphics card four times as long.
 */
const FINE = 1

const bundleOf = ({ first, groups, order, paths }: Run): Bundle => ({
  key: first.key,
  groups,
  paths: order.map((look) => {
    const { mark, d } = paths.get(look)!
    const fine = first.diagram && mark.width !== undefined && mark.width > FINE
    return { ...mark, d: d.join(''), ...(fine ? { width: FINE } : {}) }
  }),
  diagram: first.diagram === true,
})
