import type { Problem } from '@viga/core'

/**
 * Several things pointed at or selected at once, in one text. Labels have visible characters only, so a line
 * end parts them.
 */
export const targetOf = (targets: readonly string[]): string => targets.join('\n')

export const targetsOf = (text: string | null): string[] => (text ? text.split('\n') : [])

/** Adds a thing to a selection, or takes it out. */
export function toggled(selection: string | null, target: string): string | null {
  const all = targetsOf(selection)
  return targetOf(all.includes(target) ? all.filter((t) => t !== target) : [...all, target]) || null
}

export interface Chosen {
  nodes: string[]
  members: string[]
  loads: { caseId: string; index: number }[]
}

/** What a selection holds, by kind; a support counts as its joint. */
export function chosen(selection: string | null): Chosen {
  const out: Chosen = { nodes: [], members: [], loads: [] }
  for (const t of targetsOf(selection)) {
    const cut = t.indexOf(':')
    const id = t.slice(cut + 1)
    const kind = t.slice(0, cut)
    if (kind === 'node' || kind === 'support') out.nodes.push(id)
    else if (kind === 'member') out.members.push(id)
    else if (kind === 'load') {
      const last = id.lastIndexOf(':')
      out.loads.push({ caseId: id.slice(0, last), index: Number(id.slice(last + 1)) })
    }
  }
  return out
}

/** The part of a selection that is still there. */
export function stillThere(p: Problem, selection: string | null): string | null {
  const there = targetsOf(selection).filter((t) => {
    const { nodes, members, loads } = chosen(t)
    if (nodes.length) return p.nodes.some((n) => n.id === nodes[0])
    if (members.length) return p.members.some((m) => m.id === members[0])
    if (loads.length)
      return p.loadCases?.some((c) => c.id === loads[0].caseId && c.loads.length > loads[0].index)
    return true
  })
  return targetOf(there) || null
}

export const everything = (p: Problem): string | null =>
  targetOf([...p.nodes.map((n) => `node:${n.id}`), ...p.members.map((m) => `member:${m.id}`)]) || null
