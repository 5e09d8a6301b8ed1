import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import type { Member, Problem, Quantity } from '../document/types.js'
import { actOn, type Load } from '../kinds/loads/index.js'
import { noActionsIn, type MemberActions } from '../structure/actions.js'
import type { EndRelease, StatedLoad, Structure, StructureMember } from '../structure/types.js'
import { NotInLetters, NOTHING, UNITY, type Field, type Quotient } from './field.js'
import { turned, type ExactReader } from './reading.js'

/** Reads one quantity of the document. */
export type Read = (raw: Quantity, dimension: Dimension) => Quotient

/** A member with exact numbers in coherent units. */
export interface ExactMember {
  id: string
  start: number
  end: number
  bar: boolean
  dx: Quotient
  dy: Quotient
  length: Quotient
  cos: Quotient
  sin: Quotient
  /** Length by axial rigidity; nothing where the member keeps its length. */
  perEA: Quotient
  EI: Quotient
  GAs: Quotient
  alpha: Quotient
  depth: Quotient
  weight: Quotient
  releases: (boolean | Quotient)[]
}

export interface ExactSupport {
  node: number
  hold: Record<D3, boolean | Quotient>
  cos: Quotient
  sin: Quotient
  settlement: Record<D3, Quotient>
  settlementCase: number
}
type D3 = 'x' | 'y' | 'rotation'

/** The loads of one load case with exact numbers. */
export interface ExactActions {
  nodal: Quotient[]
  members: ReadonlyMap<number, MemberActions<Quotient>>
}

export interface ExactStructure {
  members: ExactMember[]
  supports: ExactSupport[]
  cases: ExactActions[]
}

/** What the exact structure is read with. */
export interface ExactContext {
  problem: Problem
  /** The same structure in numbers, SI: what stands where is looked up there. */
  structure: Structure
  field: Field
  reader: ExactReader
  read: Read
  pi: () => Quotient
  /** What stands for an axial rigidity that is a plain number, where bending rigidities are in letters. */
  axial: (rigidity: Quotient, si: number) => Quotient
}

/** The problem with exact numbers. @throws NotInLetters for what the arithmetic does not know */
export function exactStructure(x: ExactContext): ExactStructure {
  const places = x.problem.nodes.map((n) => [x.read(n.x, D.length), x.read(n.y, D.length)])
  const members = x.structure.members.map((m, i) => memberOf(x, m, x.problem.members[i], places))
  return {
    members,
    supports: x.structure.supports.map((_, i) => supportOf(x, i)),
    cases: x.structure.cases.map((_, i) => actionsOf(x, members, i)),
  }
}

function memberOf(x: ExactContext, m: StructureMember, raw: Member, places: Quotient[][]): ExactMember {
  const { field } = x
  const [dx, dy] = [0, 1].map((k) => field.subtract(places[m.end][k], places[m.start][k]))
  const length = lengthOf(field, dx, dy)
  const properties = propertiesOf(x, m, raw)
  return {
    id: m.id,
    start: m.start,
    end: m.end,
    bar: m.bar,
    dx,
    dy,
    length,
    cos: field.divide(dx, length),
    sin: field.divide(dy, length),
    ...properties,
    releases: m.releases.map((r, k) => releaseOf(x, r, raw, k)),
  }
}

function lengthOf(field: Field, dx: Quotient, dy: Quotient): Quotient {
  if (field.isZero(dy)) return field.absolute(dx)
  if (field.isZero(dx)) return field.absolute(dy)
  return field.root(field.add(field.multiply(dx, dx), field.multiply(dy, dy)))
}

function propertiesOf(x: ExactContext, m: StructureMember, raw: Member) {
  const { problem, field, reader } = x
  const material = problem.materials?.find(({ id }) => id === raw.material)
  const section = problem.sections?.find(({ id }) => id === raw.section)
  refuseShapeInLetters(x, section?.shape)
  const of = (text: Quantity | undefined, si: number, d: Dimension) =>
    text === undefined ? (Number.isFinite(si) ? reader.coherent(si, d) : NOTHING) : x.read(text, d)
  const E = () => of(material?.E, m.E, D.stress)
  const A = () => of(section?.A, m.A, D.area)
  const stated = (text: Quantity | undefined, other: () => Quotient, d: Dimension) =>
    text === undefined ? field.multiply(E(), other()) : x.read(text, d)
  const EI = m.bar
    ? NOTHING
    : stated(section?.EI, () => of(section?.I, m.I, D.secondMoment), D.bendingStiffness)
  const G = () =>
    material?.G === undefined && material?.nu !== undefined
      ? field.divide(E(), field.multiply(field.of(2), field.add(UNITY, x.read(material.nu, D.none))))
      : of(material?.G, NaN, D.stress)
  return {
    perEA: m.axiallyRigid ? NOTHING : field.inverse(x.axial(stated(section?.EA, A, D.force), m.EA)),
    EI,
    GAs: m.GAs > 0 ? field.multiply(G(), of(section?.shearArea, m.shearArea, D.area)) : NOTHING,
    alpha: of(material?.alpha, m.alpha, D.perTemperature),
    depth: of(section?.depth, m.depth, D.length),
    weight: m.weight > 0 ? field.multiply(of(material?.unitWeight, NaN, D.unitWeight), A()) : NOTHING,
  }
}

/** A and I of a shape are computed in numbers; with a letter among its sides they would be wrong. */
function refuseShapeInLetters(x: ExactContext, shape: object | undefined): void {
  for (const side of Object.values(shape ?? {}))
    if (typeof side === 'string' && Object.keys(x.problem.symbols ?? {}).some((name) => side.includes(name)))
      throw new NotInLetters('The sides of a section are in letters: state its A and I, or EA and EI.')
}

function releaseOf(x: ExactContext, release: EndRelease, raw: Member, k: number): boolean | Quotient {
  if (typeof release === 'boolean') return release
  const end = raw.releases![k < 3 ? 'start' : 'end']!
  const key = (['N', 'V', 'M'] as const)[k % 3]
  return x.read(end[key] as Quantity, key === 'M' ? D.moment : D.forcePerLength)
}

function supportOf(x: ExactContext, i: number): ExactSupport {
  const p = x.structure.supports[i]
  const raw = x.problem.supports![i]
  const angle = raw.angle === undefined ? NOTHING : x.read(raw.angle, D.angle)
  const each = <T>(of: (c: D3) => T) =>
    ({ x: of('x'), y: of('y'), rotation: of('rotation') }) as Record<D3, T>
  return {
    node: p.node,
    cos: p.angle === 0 ? UNITY : turned(x.field, 'cos', angle, x.pi()),
    sin: p.angle === 0 ? NOTHING : turned(x.field, 'sin', angle, x.pi()),
    hold: each((c) => {
      const hold = p.hold[c]
      if (typeof hold === 'boolean') return hold
      return x.read(raw.restrain![c] as Quantity, c === 'rotation' ? D.moment : D.forcePerLength)
    }),
    settlement: each((c) => {
      const by = raw.settlement?.[c]
      return by === undefined ? NOTHING : x.read(by, c === 'rotation' ? D.angle : D.length)
    }),
    settlementCase: p.settlementCase,
  }
}

function actionsOf(x: ExactContext, members: readonly ExactMember[], i: number): ExactActions {
  const { structure: s, field } = x
  const nodal = Array.from({ length: 3 * s.nodes.length }, () => NOTHING)
  const acting = new Map<number, MemberActions<Quotient>>()
  const on = (member: number) => {
    let a = acting.get(member)
    if (!a) acting.set(member, (a = noActionsIn<Quotient>(field)))
    return a
  }
  x.problem.loadCases![i].loads.forEach((raw, k) =>
    actOn(field, statedIn(x, members, raw, s.cases[i].loads[k]), members, { nodal, on }),
  )
  const { selfWeight } = s.cases[i]
  if (selfWeight !== 0) addOwnWeight(x, members, field.of(-selfWeight), nodal, on)
  return { nodal, members: acting }
}

function addOwnWeight(
  { field }: ExactContext,
  members: readonly ExactMember[],
  factor: Quotient,
  nodal: Quotient[],
  on: (member: number) => MemberActions<Quotient>,
): void {
  members.forEach((m, i) => {
    if (field.isZero(m.weight)) return
    const w = field.multiply(factor, m.weight)
    if (m.bar) {
      const half = field.divide(field.multiply(w, m.length), field.of(2))
      for (const node of [m.start, m.end]) nodal[3 * node + 1] = field.add(nodal[3 * node + 1], half)
      return
    }
    const [p, q] = [field.multiply(w, m.sin), field.multiply(w, m.cos)]
    on(i).spans.push({ a: NOTHING, b: m.length, p: [p, p], q: [q, q], c: [NOTHING, NOTHING] })
  })
}

/** A load of the document with exact numbers. */
function statedIn(
  x: ExactContext,
  members: readonly ExactMember[],
  raw: Load,
  stated: StatedLoad,
): StatedLoad<Quotient> {
  const amount = (text: Quantity | undefined, d: Dimension) =>
    text === undefined ? NOTHING : x.read(text, d)
  const place = (text: Quantity | undefined, member: number) => placeOf(x, text ?? 0, members[member].length)
  const line = (
    load: { q?: Quantity; points?: { at: Quantity; q: Quantity }[] },
    member: number,
    d: Dimension,
  ) =>
    load.points
      ? load.points.map((p) => ({ at: place(p.at, member), q: amount(p.q, d) }))
      : [NOTHING, members[member].length].map((at) => ({ at, q: amount(load.q, d) }))
  if (raw.type === 'nodal' && stated.type === 'nodal')
    return { type: 'nodal', node: stated.node, ...forceIn(x, raw, amount) }
  if (stated.type === 'nodal') throw new NotInLetters('A load is not understood.')
  const { member } = stated
  if (raw.type === 'point')
    return {
      type: 'point',
      member,
      at: place(raw.at, member),
      axes: raw.axes ?? 'global',
      ...forceIn(x, raw, amount),
    }
  if (raw.type === 'distributed') {
    const { direction, per = 'length' } = raw
    return { type: 'distributed', member, direction, per, points: line(raw, member, D.forcePerLength) }
  }
  if (raw.type === 'couple') return { type: 'couple', member, points: line(raw, member, D.force) }
  if (raw.type === 'temperature') {
    const [uniform, gradient] = [raw.uniform, raw.gradient].map((t) => amount(t, D.temperature))
    return { type: 'temperature', member, uniform, gradient }
  }
  if (raw.type !== 'misfit') throw new NotInLetters('A load is not understood.')
  return {
    type: 'misfit',
    member,
    at: place(raw.at, member),
    elongation: amount(raw.elongation, D.length),
    slip: amount(raw.slip, D.length),
    kink: amount(raw.kink, D.angle),
  }
}

interface ForceTexts {
  fx?: Quantity
  fy?: Quantity
  m?: Quantity
  force?: Quantity
  angle?: Quantity
}

function forceIn(
  x: ExactContext,
  raw: ForceTexts,
  amount: (text: Quantity | undefined, d: Dimension) => Quotient,
) {
  const m = amount(raw.m, D.moment)
  if (raw.force === undefined) return { fx: amount(raw.fx, D.force), fy: amount(raw.fy, D.force), m }
  const force = amount(raw.force, D.force)
  const angle = x.read(raw.angle!, D.angle)
  return {
    fx: x.field.multiply(force, turned(x.field, 'cos', angle, x.pi())),
    fy: x.field.multiply(force, turned(x.field, 'sin', angle, x.pi())),
    m,
  }
}

const PERCENT = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*%\s*$/

/** A place along a member, from its start, not beyond its end. */
function placeOf({ field, read }: ExactContext, raw: Quantity, length: Quotient): Quotient {
  const percent = typeof raw === 'string' ? PERCENT.exec(raw) : null
  const x = percent
    ? field.multiply(field.divide(field.of(Number(percent[1])), field.of(100)), length)
    : read(raw, D.length)
  // rounded numbers for the end may lie a little beside it
  const beside = Math.abs(field.value(x) - field.value(length)) <= 1e-9 * field.value(length)
  return beside ? length : x
}
