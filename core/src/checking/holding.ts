import { removeNodes, setSupport } from '../document/edits/edits.js'
import type { Problem, Support } from '../document/types.js'
import { SUPPORT_KINDS } from '../kinds/supports/types.js'
import { listed } from '../structure/listed.js'
import type { Doubt } from './doubts.js'

/** Supports: none, too few, or a part of the structure that has none. */
export function holding(p: Problem): Doubt[] {
  if (p.members.length === 0) return []
  const unreached = unreachedJoints(p)
  if (!p.supports?.length) return [...unreached, unsupported(p)]
  return [...unreached, ...tooFewSupports(p.supports), ...separate(p, p.supports)]
}

function unreachedJoints(p: Problem): Doubt[] {
  const out: Doubt[] = []
  const reached = new Set(p.members.flatMap((m) => [m.start, m.end]))
  for (const [i, n] of p.nodes.entries())
    if (!reached.has(n.id))
      out.push({
        kind: 'unreached',
        severity: 'note',
        path: `nodes[${i}]`,
        message: `No member reaches ${n.id}; it is left out.`,
        nodes: [n.id],
        members: [],
        repair: { label: `Take out ${n.id}`, apply: (q) => removeNodes(q, [n.id]) },
      })
  return out
}

function unsupported(p: Problem): Doubt {
  const first = p.members[0].start
  return {
    kind: 'unsupported',
    severity: 'error',
    path: 'supports',
    message: 'Nothing supports the structure yet.',
    nodes: [],
    members: [],
    repair: { label: `Fix ${first}`, apply: (q) => setSupport(q, first, { type: 'fixed' }) },
  }
}

function tooFewSupports(supports: readonly Support[]): Doubt[] {
  const count = supports.reduce(
    (sum, s) =>
      sum +
      (s.type
        ? Object.values(SUPPORT_KINDS[s.type]).filter(Boolean).length
        : Object.values(s.restrain ?? {}).filter((r) => r !== 'free').length),
    0,
  )
  if (count >= 3) return []
  return [
    {
      kind: 'unsupported',
      severity: 'error',
      path: 'supports',
      message:
        `The supports hold ${count === 1 ? 'one direction' : 'two directions'}; a plane structure ` +
        'needs three or more.',
      nodes: supports.map((s) => s.node),
      members: [],
    },
  ]
}

function separate(p: Problem, supports: readonly Support[]): Doubt[] {
  const out: Doubt[] = []
  const parts = separateParts(p)
  if (parts.length > 1) {
    const held = new Set(supports.map((s) => s.node))
    const bare = parts.filter((part) => !part.some((n) => held.has(n)))
    for (const part of bare)
      out.push({
        kind: 'separate',
        severity: 'error',
        path: 'members',
        message:
          `${listed(part)} ${part.length > 1 ? 'are' : 'is'} apart from the rest, and nothing ` +
          `supports ${part.length > 1 ? 'them' : 'it'}.`,
        nodes: part,
        members: [],
      })
    if (bare.length === 0)
      out.push({
        kind: 'separate',
        severity: 'note',
        path: 'members',
        message: `The structure is in ${parts.length} parts that no member joins.`,
        nodes: parts[parts.length - 1],
        members: [],
      })
  }
  return out
}

/** Joints by connected part, largest part first. */
function separateParts(p: Problem): string[][] {
  const parent = new Map<string, string>()
  const root = (id: string): string => {
    let at = id
    while (parent.get(at) !== at) at = parent.get(at)!
    parent.set(id, at)
    return at
  }
  for (const m of p.members) for (const n of [m.start, m.end]) if (!parent.has(n)) parent.set(n, n)
  for (const m of p.members) parent.set(root(m.start), root(m.end))
  const parts = new Map<string, string[]>()
  for (const n of p.nodes)
    if (parent.has(n.id)) parts.set(root(n.id), [...(parts.get(root(n.id)) ?? []), n.id])
  return [...parts.values()].sort((a, b) => b.length - a.length)
}
