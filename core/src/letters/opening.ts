import type { Solution } from '../analysis/solve.js'
import * as D from '../quantity/dimension.js'
import type { Problem } from '../document/types.js'
import type { MemberActions } from '../structure/actions.js'
import { exactStructure, type ExactStructure } from './exact-structure.js'
import { Field, UNITY, type Quotient } from './field.js'
import { TooLong } from './monomials.js'
import { isConstant } from './polynomial.js'
import { ExactReader, openLetters, type Letter } from './reading.js'
import { powersOf, scaleFactor, scalesOf, type Powers, type Sameness, type Scales } from './scales.js'

/** An unknown of the arithmetic and the letter that it is. */
export interface Unknown {
  letter: Letter
  /** Its index in the arithmetic. */
  at: number
  /** Whether it stands for an axial rigidity that is a plain number, which no result may hold. */
  hidden: boolean
}

/** A problem with exact numbers, its letters as unknowns of the arithmetic. */
export interface Opened {
  field: Field
  exact: ExactStructure
  unknowns: Unknown[]
  /** Letters that only loads hold, each by itself, as indices of the arithmetic. */
  loads: number[]
  scales: Scales
}

/**
 * Reads a solved problem exactly. It is read twice: with all its letters, to see which of them come back by
 * dimension alone, then without those.
 * @throws NotInLetters, TooLong
 */
export function open(problem: Problem, { structure }: Solution): Opened {
  const letters = openLetters(problem)
  const first = readWith(problem, structure, letters, {}, new Map())
  const rigidities = first.exact.members.map((m) => m.EI)
  const inLetters = rigidities.some((q) => !isPlain(q))
  const hidden = new Map<number, Letter>()
  if (inLetters)
    for (const { si, rigidity } of first.axial)
      if (isPlain(rigidity))
        hidden.set(si, { name: '', dimension: D.force, sample: first.field.value(rigidity) })
  const uses = usesOf(first)
  const scales = scalesOf([...uses.structure, ...hidden.values()], uses.same(hidden.size > 0))
  const { field, exact, unknowns } = readWith(problem, structure, letters, scales, hidden)
  const inStructure = new Set(uses.structure)
  refuseMany(field, exact, unknowns)
  const loads = unknowns.filter((u) => !u.hidden && u.letter.name !== 'π' && !inStructure.has(u.letter))
  return {
    field,
    exact,
    unknowns,
    scales,
    loads: isLinear(field, exact, loads) ? loads.map((u) => u.at) : [],
  }
}

/** Unknowns of the structure, square roots of letters among them, that are worked with at most. */
const MOST_UNKNOWNS = 4

function refuseMany(field: Field, exact: ExactStructure, unknowns: readonly Unknown[]): void {
  const numbers = [...structureNumbers(exact), ...axialNumbers(exact)]
  const letters = unknowns.filter((u) => numbers.some(([q]) => field.has(q, u.at))).length
  const roots = field.roots.filter((r) => !isConstant(r.under)).length
  if (letters + roots > MOST_UNKNOWNS) throw new TooLong()
}

/** Whether a number has no letter. */
const isPlain = ({ n, d }: Quotient): boolean => isConstant(n) && isConstant(d)

interface ReadOnce extends Omit<Opened, 'loads' | 'scales'> {
  axial: { si: number; rigidity: Quotient }[]
}

const PI: Letter = { name: 'π', dimension: D.none, sample: Math.PI }

function readWith(
  problem: Problem,
  structure: Solution['structure'],
  letters: ReadonlyMap<string, Letter>,
  scales: Scales,
  hidden: ReadonlyMap<number, Letter>,
): ReadOnce {
  const field = new Field()
  const unknowns: Unknown[] = []
  const known = new Map<Letter, Quotient>()
  const axial: ReadOnce['axial'] = []
  const stand = (letter: Letter, isHidden = false): Quotient => {
    if (letter === scales.length || letter === scales.force) return UNITY
    let out = known.get(letter)
    if (!out) {
      unknowns.push({ letter, at: field.monomials.count, hidden: isHidden })
      out = field.letter(letter.sample / scaleFactor(scales, powersOf(letter.dimension)))
      known.set(letter, out)
    }
    return out
  }
  const pi = () => stand(PI)
  const letterOf = (name: string) => (letters.has(name) ? stand(letters.get(name)!) : undefined)
  const reader = new ExactReader(problem, field, letterOf, pi)
  const exact = exactStructure({
    problem,
    structure,
    field,
    reader,
    read: (raw, dimension) => reader.read(raw, dimension),
    pi,
    axial: (rigidity, si) => {
      axial.push({ si, rigidity })
      const letter = hidden.get(si)
      return letter ? stand(letter, true) : rigidity
    },
  })
  return { field, exact, unknowns, axial }
}

type Dimensioned = [value: Quotient, powers: Powers]

const LENGTH: Powers = [1, 0]

/** The numbers of the structure itself, with their powers of length and force. */
function* structureNumbers({ members, supports, cases }: ExactStructure): Generator<Dimensioned> {
  for (const m of members) {
    yield* [m.dx, m.dy, m.depth].map((q): Dimensioned => [q, LENGTH])
    yield [m.EI, [2, 1]]
    yield [m.GAs, [0, 1]]
    yield [m.weight, [-1, 1]]
    for (const [k, r] of m.releases.entries())
      if (typeof r !== 'boolean') yield [r, springPowers(k % 3 === 2)]
  }
  for (const p of supports)
    for (const c of ['x', 'y', 'rotation'] as const) {
      const hold = p.hold[c]
      if (typeof hold !== 'boolean') yield [hold, springPowers(c === 'rotation')]
    }
  for (const { members: acting } of cases)
    for (const a of acting.values()) {
      for (const s of a.spans) yield* [s.a, s.b].map((q): Dimensioned => [q, LENGTH])
      for (const p of [...a.points, ...a.jumps]) yield [p.x, LENGTH]
    }
}

const springPowers = (isRotation: boolean): Powers => (isRotation ? [1, 1] : [-1, 1])

/** The axial flexibilities, which are apart since a plain number among them may stand for itself. */
const axialNumbers = ({ members }: ExactStructure): Dimensioned[] => members.map((m) => [m.perEA, [0, -1]])

/** The numbers of the loads, with their powers of length and force. */
function* loadNumbers({ supports, cases }: ExactStructure): Generator<Dimensioned> {
  for (const p of supports) {
    yield [p.settlement.x, LENGTH]
    yield [p.settlement.y, LENGTH]
    yield [p.settlement.rotation, [0, 0]]
  }
  for (const { nodal, members } of cases) {
    for (const [i, q] of nodal.entries()) yield [q, i % 3 === 2 ? [1, 1] : [0, 1]]
    for (const a of members.values()) yield* actionNumbers(a)
  }
}

function* actionNumbers(a: MemberActions<Quotient>): Generator<Dimensioned> {
  yield [a.axialStrain, [0, 0]]
  yield [a.curvature, [-1, 0]]
  for (const s of a.spans) {
    yield* [...s.p, ...s.q].map((q): Dimensioned => [q, [-1, 1]])
    yield* s.c.map((q): Dimensioned => [q, [0, 1]])
  }
  for (const p of a.points) {
    yield* [p.fx, p.fy].map((q): Dimensioned => [q, [0, 1]])
    yield [p.m, [1, 1]]
  }
  for (const j of a.jumps) {
    yield [j.slip, LENGTH]
    yield [j.kink, [0, 0]]
  }
}

/** Which letters the structure holds, and whether all numbers have the dimensions of their letters. */
function usesOf({ field, exact, unknowns }: ReadOnce) {
  const inStructure = [...structureNumbers(exact)]
  const inAxial = axialNumbers(exact)
  const held = (numbers: readonly Dimensioned[]) =>
    unknowns.filter((u) => u.letter !== PI && numbers.some(([q]) => field.has(q, u.at)))
  return {
    structure: held([...inStructure, ...inAxial]).map((u) => u.letter),
    same: (isHidden: boolean): Sameness => {
      const counted = isHidden ? inAxial.filter(([q]) => !isPlain(q)) : inAxial
      const all = [...inStructure, ...counted, ...loadNumbers(exact)]
      const same = (k: 0 | 1) =>
        all.every(([q, powers]) => termPowers(field, unknowns, q).every((p) => p[k] === powers[k]))
      return { length: same(0), force: same(1) }
    },
  }
}

/** The powers of length and force of every term of a number. */
function termPowers(field: Field, unknowns: readonly Unknown[], q: Quotient): Powers[] {
  const roots: { at: number; powers: Powers }[] = []
  const ofKey = (key: number): Powers => {
    let [l, f] = [0, 0]
    const count = (at: number, [x, y]: Powers) => {
      const power = field.monomials.power(key, at)
      l += power * x
      f += power * y
    }
    for (const u of unknowns) count(u.at, powersOf(u.letter.dimension))
    for (const r of roots) count(r.at, r.powers)
    return [l, f]
  }
  for (const r of field.roots) roots.push({ at: r.unknown, powers: halved(ofKey([...r.under.keys()][0])) })
  const [first] = [...q.d.keys()].map(ofKey)
  return [
    ...[...q.n.keys()].map(ofKey).map((p): Powers => [p[0] - first[0], p[1] - first[1]]),
    // a denominator of different dimensions is of none
    ...[...q.d.keys()]
      .map(ofKey)
      .filter((p) => p[0] !== first[0] || p[1] !== first[1])
      .map((): Powers => [NaN, NaN]),
  ]
}

const halved = ([l, f]: Powers): Powers => [l / 2, f / 2]

/** Whether loads hold their letters by themselves, one to the first power in each term. */
function isLinear(field: Field, exact: ExactStructure, loads: readonly Unknown[]): boolean {
  const powers = (key: number) => loads.reduce((sum, u) => sum + field.monomials.power(key, u.at), 0)
  for (const [{ n, d }] of loadNumbers(exact))
    if ([...n.keys()].some((key) => powers(key) > 1) || [...d.keys()].some((key) => powers(key) > 0))
      return false
  return true
}
