import type { ActionSolution, Solution } from '../analysis/solve.js'
import { reactionAt } from '../results/at-node.js'

/**
 * A truss member without force, and the joint and the rule that show it; no rule where only the numbers do.
 */
export interface ZeroForce {
  member: string
  reason?: {
    joint: string
    /**
     * `alone`: nothing else acts at the joint; `two`: two members not in line; `line`: all else is in line.
     */
    rule: 'alone' | 'two' | 'line'
    /** The members that are in line with each other, or the other of the two. */
    others: string[]
    /** A load or a reaction acts along that line. */
    load: boolean
    reaction: boolean
  }
}

/** A member counts as without force below this part of the largest force. */
const ROUNDING = 1e-9
/** Directions count as one line when the sine between them is below this. */
const IN_LINE = 1e-6

interface Line {
  x: number
  y: number
}

const inLine = (a: Line, b: Line) => Math.abs(a.x * b.y - a.y * b.x) <= IN_LINE

/**
 * The members of a truss that carry no force under one case, each with its reason. The rule of joints: where
 * all forces at a joint but one lie in one line, that one is zero; members found so are left out at other
 * joints.
 */
export function zeroForceMembers(solution: Solution, action: ActionSolution): ZeroForce[] {
  const { structure: s } = solution
  if (s.kind !== 'truss') return []
  const force = s.members.map((_, i) => (action.forces[6 * i + 3] - action.forces[6 * i]) / 2)
  const most = Math.max(0, ...force.map(Math.abs))
  const zero = new Set(force.flatMap((N, i) => (Math.abs(N) <= ROUNDING * most ? [i] : [])))
  const found = new Map<number, ZeroForce>()
  for (let again = true; again;) {
    again = false
    s.nodes.forEach((_, node) => {
      const it = ruleAt(solution, action, node, zero, found)
      if (!it) return
      for (const [member, reason] of it) found.set(member, { member: s.members[member].id, reason })
      again = true
    })
  }
  return [...zero].map((i) => found.get(i) ?? { member: s.members[i].id })
}

/**
 * What a joint tells of the members there that are not known to be zero yet; nothing when it tells nothing
 * new.
 */
function ruleAt(
  solution: Solution,
  action: ActionSolution,
  node: number,
  zero: ReadonlySet<number>,
  found: ReadonlyMap<number, ZeroForce>,
): [number, NonNullable<ZeroForce['reason']>][] | undefined {
  const { members, nodes } = solution.structure
  const open = members.flatMap((m, i) =>
    (m.start === node || m.end === node) && !found.has(i) ? [{ i, x: m.cos, y: m.sin }] : [],
  )
  const { loads, held } = outside(solution, action, node)
  const joint = nodes[node].id
  for (const one of open) {
    if (!zero.has(one.i)) continue
    const others = open.filter((o) => o !== one)
    const lines: Line[] = [...others, ...loads, ...held]
    const straight = lines.every((l) => inLine(l, lines[0]))
    if (!straight || (lines.length > 0 && inLine(one, lines[0]))) continue
    const reason = (rule: 'alone' | 'two' | 'line', with_: typeof others) => ({
      joint,
      rule,
      others: with_.map((o) => members[o.i].id),
      load: loads.length > 0,
      reaction: held.length > 0,
    })
    if (lines.length === 0) return [[one.i, reason('alone', [])]]
    const [second] = others
    if (others.length === 1 && lines.length === 1)
      return [
        [one.i, reason('two', [second])],
        [second.i, reason('two', [one])],
      ]
    return [[one.i, reason('line', others)]]
  }
  return undefined
}

/** The directions of the load at a joint and of what its support may push along. */
function outside(solution: Solution, action: ActionSolution, node: number): { loads: Line[]; held: Line[] } {
  const [fx, fy] = action.actions.nodal.subarray(3 * node, 3 * node + 2)
  const size = Math.hypot(fx, fy)
  const loads = size === 0 ? [] : [{ x: fx / size, y: fy / size }]
  const support = solution.structure.supports.find((p) => p.node === node)
  if (!support) return { loads, held: [] }
  const { angle } = reactionAt(solution, action, node)
  const held: Line[] = []
  if (support.hold.x !== false) held.push({ x: Math.cos(angle), y: Math.sin(angle) })
  if (support.hold.y !== false) held.push({ x: -Math.sin(angle), y: Math.cos(angle) })
  return { loads, held }
}

/** The reason in a sentence, as it is said in a lecture. */
export function zeroForceReason({ member, reason }: ZeroForce): string {
  if (!reason)
    return `${member} carries no force under these loads; no joint shows it by itself, the equations do.`
  const { joint, rule, others, load, reaction } = reason
  if (rule === 'alone') return `${member} ends at ${joint}, where nothing else acts.`
  if (rule === 'two')
    return `At ${joint} only ${member} and ${others[0]} meet, not in line and without a load: both are zero.`
  const acting = [
    ...(others.length > 1 ? [`${others.join(' and ')} are in line`] : others),
    ...(load ? ['the load'] : []),
    ...(reaction ? ['the reaction'] : []),
  ]
  return others.length > 1 && !load && !reaction
    ? `At ${joint} ${others.join(' and ')} are in line and nothing else acts: ${member} is zero.`
    : `At ${joint} all but ${member} is in one line (${acting.join(', ')}): ${member} is zero.`
}
