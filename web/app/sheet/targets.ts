import { readThing, thing, type Problem } from '@viga/core'

/**
 * Several things pointed at or selected at once, as one text: their keys, which hold no line end, parted by
 * one.
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
    const it = readThing(t)
    if (it?.kind === 'node' || it?.kind === 'support') out.nodes.push(it.id)
    else if (it?.kind === 'member') out.members.push(it.id)
    else if (it?.kind === 'load') out.loads.push({ caseId: it.caseId, index: it.index })
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
  targetOf([...p.nodes.map((n) => thing.node(n.id)), ...p.members.map((m) => thing.member(m.id))]) || null
