import { SUPPORT_KINDS } from '../kinds/supports/types.js'
import type { Component, Member, Problem, Quantity, StiffnessPlace, Support } from '../document/types.js'
import { methodChoices } from '../document/method-choices.js'
import { componentsOf, isAlone, type Place } from './answer-place.js'

/**
 * What a prepared list is asked for: the places along members, the member and the axes of a stiffness matrix.
 */
export interface ListOptions {
  /** Places along members, such as `50%` or `2.5 m`. */
  at?: readonly Quantity[]
  member?: string
  axes?: 'member' | 'global'
}

/** A prepared list of what a problem of the book asks for. */
export interface AnswerList {
  key: string
  title: string
  /** The methods that find these values, on the way or in the end, by their keys. */
  methods: readonly string[]
  /** The places in the order of the statement; none where the problem has nothing of the sort. */
  places(p: Problem, options?: ListOptions): Place[]
}

const beams = (p: Problem): Member[] => p.members.filter((m) => !isAlone(p, m.id))

/** The directions that a support holds, by a fixed stop or a spring. */
function heldBy(p: Problem, s: Support): Component[] {
  const { type, restrain } = s
  return componentsOf(p).filter((c) => {
    const hold = restrain?.[c]
    return type !== undefined ? SUPPORT_KINDS[type][c] : hold !== undefined && hold !== 'free'
  })
}

/**
 * A roller that is turned pushes along an axis of its own; two components of a turned pin are the global
 * ones.
 */
function reactionsAt(p: Problem, s: Support): Place[] {
  const held = heldBy(p, s)
  const turned = s.angle !== undefined && s.angle !== 0
  const own = turned && held.filter((c) => c !== 'rotation').length === 1
  return held.map((component) => ({
    quantity: 'reaction',
    node: s.node,
    component,
    ...(own && component !== 'rotation' ? { axes: 'own' as const } : {}),
  }))
}

const ENDS = ['0%', '100%'] as const
const atEnds = (quantity: 'moment' | 'shear' | 'axial') => (p: Problem) =>
  beams(p).flatMap((m) => ENDS.map((at): Place => ({ quantity, member: m.id, at })))

const along =
  (quantity: 'moment' | 'shear' | 'axial' | 'deflection') =>
  (p: Problem, { at = ['50%'] }: ListOptions = {}) =>
    beams(p).flatMap((m) => at.map((place): Place => ({ quantity, member: m.id, at: place })))

/** At both ends of every member that a load is on. */
function fixedEndMoments(p: Problem): Place[] {
  const loaded = new Set(
    (p.loadCases ?? []).flatMap((c) => c.loads.map((l) => (l.type === 'nodal' ? '' : l.member))),
  )
  return beams(p).flatMap((m) =>
    loaded.has(m.id)
      ? (['start', 'end'] as const).map((end): Place => ({
          quantity: 'fixed-end',
          member: m.id,
          end,
          component: 'rotation',
        }))
      : [],
  )
}

function extremes(p: Problem): Place[] {
  const members = beams(p)
  if (members.length === 0) return []
  const of = (member?: string): Place[] =>
    (['maximum', 'minimum'] as const).map((quantity) => ({
      quantity,
      of: 'moment',
      ...(member === undefined ? {} : { member }),
    }))
  return [...of(), ...(members.length > 1 ? members.flatMap((m) => of(m.id)) : [])]
}

/** The displacements that no fixed support takes away, joint by joint. */
function unknownsOf(p: Problem): StiffnessPlace[] {
  const stopped = (node: string, c: Component) =>
    (p.supports ?? []).some(
      (s) =>
        s.node === node && (s.type !== undefined ? SUPPORT_KINDS[s.type][c] : s.restrain?.[c] === 'fixed'),
    )
  return p.nodes.flatMap(({ id }) =>
    componentsOf(p).flatMap((component) => (stopped(id, component) ? [] : [{ node: id, component }])),
  )
}

/**
 * The upper triangle of a symmetric matrix over places; its diagonal alone where that would be too long to
 * fill.
 */
const MOST_UNKNOWNS = 8
const triangle = <T>(of: readonly T[]): [T, T][] =>
  of.flatMap((row, i) =>
    (of.length > MOST_UNKNOWNS ? [row] : of.slice(i)).map((column): [T, T] => [row, column]),
  )

const memberMatrix = (
  p: Problem,
  { member = p.members[0]?.id, axes = 'global' }: ListOptions = {},
): Place[] => {
  if (member === undefined) return []
  const six =
    isAlone(p, member) && p.kind === 'truss' ? ([1, 2, 4, 5] as const) : ([1, 2, 3, 4, 5, 6] as const)
  return triangle(six).map(([row, column]) => ({ quantity: 'stiffness', member, axes, row, column }))
}

/** The prepared lists; one that is empty for a problem is not offered. */
export const ANSWER_LISTS: readonly AnswerList[] = [
  {
    key: 'reactions',
    title: 'reactions',
    methods: ['stiffness', 'statics', 'joints', 'sections', 'forces', 'coefficients'],
    places: (p) => (p.supports ?? []).flatMap((s) => reactionsAt(p, s)),
  },
  {
    key: 'bars',
    title: 'bar forces',
    methods: ['stiffness', 'joints', 'sections', 'forces'],
    places: (p) =>
      p.members.flatMap((m): Place[] => (isAlone(p, m.id) ? [{ quantity: 'axial', member: m.id }] : [])),
  },
  {
    key: 'fixed-end',
    title: 'fixed-end moments',
    methods: ['stiffness', 'slope-deflection', 'moment-distribution'],
    places: fixedEndMoments,
  },
  {
    key: 'end-moments',
    title: 'end moments',
    methods: [
      'stiffness',
      'slope-deflection',
      'moment-distribution',
      'three-moments',
      'forces',
      'portal',
      'cantilever',
      'coefficients',
    ],
    places: atEnds('moment'),
  },
  {
    key: 'end-shears',
    title: 'end shears',
    methods: ['stiffness', 'statics', 'portal', 'cantilever'],
    places: atEnds('shear'),
  },
  {
    key: 'end-axial',
    title: 'end axial forces',
    methods: ['stiffness', 'statics', 'portal', 'cantilever'],
    places: atEnds('axial'),
  },
  { key: 'largest', title: 'largest moments', methods: ['statics', 'stiffness'], places: extremes },
  {
    key: 'moments',
    title: 'moments at places',
    methods: ['statics', 'integration', 'stiffness'],
    places: along('moment'),
  },
  { key: 'shears', title: 'shears at places', methods: ['statics', 'stiffness'], places: along('shear') },
  {
    key: 'deflections',
    title: 'deflections at places',
    methods: ['integration', 'stiffness'],
    places: along('deflection'),
  },
  {
    key: 'displacements',
    title: 'displacements D',
    methods: ['stiffness', 'unit-load', 'integration'],
    places: (p) => unknownsOf(p).map((u): Place => ({ quantity: 'displacement', ...u })),
  },
  {
    key: 'rotations',
    title: 'rotations of joints',
    methods: ['slope-deflection', 'integration'],
    places: (p) =>
      unknownsOf(p).flatMap((u): Place[] =>
        u.component === 'rotation' ? [{ quantity: 'displacement', ...u }] : [],
      ),
  },
  {
    key: 'redundants',
    title: 'redundants',
    methods: ['forces'],
    // those that were chosen: which are proposed is known with the structure alone
    places: (p) => (methodChoices(p).redundants ?? []).map((q) => ({ ...q })),
  },
  {
    key: 'load-vector',
    title: 'entries of P',
    methods: ['stiffness'],
    places: (p) => unknownsOf(p).map((u): Place => ({ quantity: 'load-vector', ...u })),
  },
  {
    key: 'structure-matrix',
    title: 'entries of K',
    methods: ['stiffness'],
    places: (p) =>
      triangle(unknownsOf(p)).map(([row, column]): Place => ({ quantity: 'stiffness', row, column })),
  },
  { key: 'member-matrix', title: 'entries of a member’s k', methods: ['stiffness'], places: memberMatrix },
]

/** Which options a list takes. */
export const takesPlaces = (key: string): boolean => ['moments', 'shears', 'deflections'].includes(key)
export const takesMember = (key: string): boolean => key === 'member-matrix'

const PLACE_KEYS = ['quantity', 'node', 'component', 'axes', 'member', 'at', 'side', 'end', 'of'] as const

/** Whether two places are the same one: an answer that stands at a place of a list, in the same case. */
export const samePlace = (a: Place, b: Place, firstCase: string | undefined): boolean =>
  PLACE_KEYS.every((k) => (a[k] ?? DEFAULTS[k]) === (b[k] ?? DEFAULTS[k])) &&
  JSON.stringify([a.row, a.column]) === JSON.stringify([b.row, b.column]) &&
  (a.quantity === 'stiffness' || (a.case ?? firstCase) === (b.case ?? firstCase))
const DEFAULTS: Partial<Record<string, string>> = { axes: 'global' }
