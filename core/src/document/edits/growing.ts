import { labelOfMember, letterLabel } from '../labels.js'
import type { Member, Node, Problem } from '../types.js'

/**
 * A problem to which many joints and members are added: labels are found and kept without going through all
 * that is there each time, and the problem is put together once at the end.
 */
export class Growing {
  readonly nodes: Node[] = []
  readonly members: Member[] = []
  private readonly nodeLabels: Set<string>
  private readonly memberLabels: Set<string>
  private numeric: boolean
  private next = 0

  constructor(private readonly before: Problem) {
    this.nodeLabels = new Set(before.nodes.map((n) => n.id))
    this.memberLabels = new Set(before.members.map((m) => m.id))
    this.numeric = before.nodes.length > 0 && before.nodes.every((n) => isNumeric(n.id))
  }

  hasNode(label: string): boolean {
    return this.nodeLabels.has(label)
  }

  hasMember(label: string): boolean {
    return this.memberLabels.has(label)
  }

  /** Adds a joint under this label, or under the next free one in the manner of those present. */
  addNode(label: string | undefined, x: Node['x'], y: Node['y']): string {
    const id = label === undefined || this.nodeLabels.has(label) ? this.nextNodeLabel() : label
    // the first joint of an empty problem sets the manner: numbers or letters
    const numeric = isNumeric(id) && (this.numeric || this.nodeLabels.size === 0)
    if (numeric !== this.numeric) this.next = 0
    this.numeric = numeric
    this.nodeLabels.add(id)
    this.nodes.push({ id, x, y })
    return id
  }

  private nextNodeLabel(): string {
    for (; ; this.next++) {
      const label = this.numeric ? String(this.next + 1) : letterLabel(this.next)
      if (!this.nodeLabels.has(label)) return label
    }
  }

  /** Adds a member under this label, or under that of its joints, with a prime where it is taken. */
  addMember(label: string | undefined, member: Omit<Member, 'id'>): string {
    let id = label ?? ''
    if (label === undefined || this.memberLabels.has(label)) {
      id = labelOfMember(member.start, member.end)
      while (this.memberLabels.has(id)) id += "'"
    }
    this.memberLabels.add(id)
    this.members.push({ ...member, id })
    return id
  }

  /** The problem with what was added. */
  problem(): Problem {
    const { before, nodes, members } = this
    return {
      ...before,
      ...(nodes.length && { nodes: [...before.nodes, ...nodes] }),
      ...(members.length && { members: [...before.members, ...members] }),
    }
  }
}

const isNumeric = (label: string) => /^\d+$/.test(label)
