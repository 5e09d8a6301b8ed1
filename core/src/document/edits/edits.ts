import { produce, setAutoFreeze } from 'immer'
import { assign, keep } from './edit-helpers.js'
import { freeId, memberLabel, nextNodeLabel } from '../labels.js'
import { remove, rename } from '../references.js'
import { membersRenamed } from './member-labels.js'
import type {
  AnswerKeys,
  EndReleases,
  Kind,
  Material,
  Member,
  NewAnswer,
  Problem,
  Quantity,
  Release,
  Section,
  Support,
} from '../types.js'

export * from './case-edits.js'
export { typed } from '../typed.js'

/**
 * Edits: `(Problem, …) → Problem`. Pure; what an edit does not touch is the same object, and an edit that
 * changes nothing returns the very problem it was given. None checks meanings: `problemErrors` does, before a
 * change is kept.
 */

setAutoFreeze(true)

export const setText = (p: Problem, key: 'title' | 'statement' | 'source' | 'notes', text: string): Problem =>
  produce(p, (d) => {
    if (text === '' && key !== 'title') delete d[key]
    else d[key] = text
  })

export const setKind = (p: Problem, kind: Kind): Problem =>
  produce(p, (d) => {
    d.kind = kind
  })

/** Every member keeps its length, or none does but those that say so. */
export const setNeglectAxial = (p: Problem, neglect: boolean): Problem =>
  produce(p, (d) => {
    if (neglect) d.analysis = { ...d.analysis, neglectAxial: true }
    else if (d.analysis) delete d.analysis.neglectAxial
  })

/** The unit one kind of result is shown in; undefined goes back to the usual one. Changes no stored value. */
export const setDisplay = (p: Problem, kind: string, unit: string | undefined): Problem =>
  produce(p, (d) => {
    const display = { ...d.units.display }
    if (unit === undefined) delete display[kind]
    else display[kind] = unit
    if (Object.keys(display).length) d.units.display = display
    else delete d.units.display
  })

/** Something an interface wishes to remember with the problem; undefined forgets it. */
export const setView = (p: Problem, key: string, value: unknown): Problem =>
  produce(p, (d) => {
    if (value !== undefined) d.view = { ...d.view, [key]: value }
    else if (d.view) delete d.view[key]
  })

// joints

export const addNode = (p: Problem, x: Quantity, y: Quantity, id = nextNodeLabel(p)): Problem =>
  produce(p, (d) => {
    d.nodes.push({ id, x, y })
  })

export const setNode = (p: Problem, id: string, change: { x?: Quantity; y?: Quantity }): Problem =>
  produce(p, (d) => {
    Object.assign(d.nodes.find((n) => n.id === id) ?? {}, change)
  })

/** Renames a joint everywhere; members named after their joints are renamed with it. */
export const renameNode = (p: Problem, from: string, to: string): Problem => renameNodes(p, [{ from, to }])

/** Renames many joints at once; labels may change places. Members named after their joints follow. */
export function renameNodes(p: Problem, names: readonly { from: string; to: string }[]): Problem {
  const to = new Map(names.filter((n) => n.from !== n.to).map((n) => [n.from, n.to]))
  return to.size === 0 ? p : membersRenamed(p, rename(p, 'node', to), (m) => to.has(m.start) || to.has(m.end))
}

/** Takes joints out with what hangs on them: members, supports, loads, answers. */
export const removeNodes = (p: Problem, ids: readonly string[]): Problem => remove(p, 'node', ids)

// members

/** Connects joints one after another; pairs that are connected already are passed over. */
export const addMembers = (p: Problem, chain: readonly string[]): Problem =>
  chain.slice(1).reduce((q, end, i) => {
    const start = chain[i]
    if (
      start === end ||
      q.members.some((m) => (m.start === start && m.end === end) || (m.start === end && m.end === start))
    )
      return q
    return produce(q, (d) => {
      const like = d.members[d.members.length - 1]
      const m: Member = { id: memberLabel(q, start, end), start, end }
      const material = like?.material ?? d.materials?.[0]?.id
      const section = like?.section ?? d.sections?.[0]?.id
      if (material !== undefined) m.material = material
      if (section !== undefined) m.section = section
      d.members.push(m)
    })
  }, p)

export const setMember = (p: Problem, id: string, change: Partial<Member>): Problem =>
  produce(p, (d) => {
    const m = d.members.find((o) => o.id === id)
    if (!m) return
    for (const [key, v] of Object.entries(change))
      if (v === undefined) delete (m as unknown as Record<string, unknown>)[key]
      else (m as unknown as Record<string, unknown>)[key] = v
  })

export const renameMember = (p: Problem, from: string, to: string): Problem =>
  rename(p, 'member', new Map([[from, to]]))

export const removeMembers = (p: Problem, ids: readonly string[]): Problem => remove(p, 'member', ids)

/**
 * Releases one component at an end (true), connects it by a spring, or (with undefined) rigidly; the others
 * stay.
 */
export const setRelease = (
  p: Problem,
  id: string,
  end: 'start' | 'end',
  key: keyof EndReleases,
  value: Release | undefined,
): Problem =>
  produce(p, (d) => {
    const m = d.members.find((o) => o.id === id)
    if (!m || m.releases?.[end]?.[key] === value) return
    const at: EndReleases = { ...m.releases?.[end] }
    if (value === undefined) delete at[key]
    else at[key] = value
    const releases = { ...m.releases, [end]: at }
    if (Object.keys(at).length === 0) delete releases[end]
    if (Object.keys(releases).length) m.releases = releases
    else delete m.releases
  })

/** Sets or lifts the hinge (M released) at one end; a spring there stays unless it is hinged. */
export const setHinge = (p: Problem, id: string, end: 'start' | 'end', hinged: boolean): Problem => {
  const now = p.members.find((m) => m.id === id)?.releases?.[end]?.M === true
  return hinged === now ? p : setRelease(p, id, end, 'M', hinged || undefined)
}

// supports

/** Sets, replaces or (with undefined) takes away the support of a joint. */
export const setSupport = (p: Problem, node: string, support: Omit<Support, 'node'> | undefined): Problem =>
  produce(p, (d) => {
    d.supports ??= []
    const at = d.supports.findIndex((s) => s.node === node)
    if (support === undefined) {
      if (at >= 0) d.supports.splice(at, 1)
    } else if (at >= 0) d.supports[at] = { node, ...support }
    else d.supports.push({ node, ...support })
  })

// properties

/** Adds a material: one like the last, or a usual one under its name. */
export const addMaterial = (p: Problem, usual?: { name: string; material: Omit<Material, 'id'> }): Problem =>
  produce(p, (d) => {
    d.materials ??= []
    const taken = d.materials.map((m) => m.id)
    if (usual) {
      const name = usual.name.replace(/,.*/, '').toLowerCase()
      d.materials.push({ id: taken.includes(name) ? freeId(taken, `${name} `) : name, ...usual.material })
    } else
      d.materials.push({
        id: freeId(taken, 'material '),
        E: d.materials[d.materials.length - 1]?.E ?? '200 GPa',
      })
  })

export const addSection = (p: Problem): Problem =>
  produce(p, (d) => {
    d.sections ??= []
    const like: Section = d.sections[d.sections.length - 1] ?? { id: '', A: '0.01 m^2', I: '1e-4 m^4' }
    d.sections.push({
      ...like,
      id: freeId(
        d.sections.map((m) => m.id),
        'section ',
      ),
    })
  })

export const setMaterial = (p: Problem, id: string, { id: to = id, ...change }: Partial<Material>): Problem =>
  produce(rename(p, 'material', new Map([[id, to]])), (d) => {
    const m = d.materials?.find((o) => o.id === to)
    if (m) assign(m, change)
  })

export const setSection = (p: Problem, id: string, { id: to = id, ...change }: Partial<Section>): Problem =>
  produce(rename(p, 'section', new Map([[id, to]])), (d) => {
    const s = d.sections?.find((o) => o.id === to)
    if (s) assign(s, change)
  })

export const removeMaterial = (p: Problem, id: string): Problem => remove(p, 'material', [id])

export const removeSection = (p: Problem, id: string): Problem => remove(p, 'section', [id])

// symbols

export const setSymbol = (p: Problem, name: string, value: Quantity | undefined): Problem =>
  produce(p, (d) => {
    d.symbols ??= {}
    if (value === undefined) {
      delete d.symbols[name]
      if (d.letters) d.letters = d.letters.filter((letter) => letter !== name)
    } else d.symbols[name] = value
  })

/** Asks for an order of analysis; a problem that says nothing is of first order. */
export const setOrder = (p: Problem, order: 1 | 2): Problem =>
  produce(p, (d) => {
    if (order === 2) {
      d.analysis = { ...d.analysis, order }
      return
    }
    if (!d.analysis) return
    delete d.analysis.order
    if (Object.keys(d.analysis).length === 0) delete d.analysis
  })

// answers

export const addAnswer = (p: Problem, answer: NewAnswer): Problem =>
  produce(p, (d) => {
    d.answers ??= []
    const id = freeId(
      d.answers.map((a) => a.id),
      'a',
    )
    d.answers.push({ id, ...answer })
  })

export const setAnswer = (p: Problem, id: string, change: AnswerKeys): Problem =>
  produce(p, (d) => {
    const a = d.answers?.find((o) => o.id === id)
    if (a) assign(a, change)
  })

export const removeAnswer = (p: Problem, id: string): Problem =>
  produce(p, (d) => {
    d.answers = keep(d.answers ?? [], (a) => a.id !== id)
  })
