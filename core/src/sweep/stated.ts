import type { Load, Problem, Quantity } from '../document/types.js'

/** A quantity that is stated somewhere in the document: its path, and what it is in words. */
export interface StatedQuantity {
  path: string
  words: string
  value: Quantity
}

/** Coordinates and properties of more joints, members and loads than this are not listed one by one. */
const MOST = 24

const LOAD_WORDS: Record<string, string> = {
  fx: 'the force along x',
  fy: 'the force along y',
  m: 'the moment',
  force: 'the force',
  angle: 'the direction',
  q: 'the load per length',
  uniform: 'the temperature',
  gradient: 'the temperature gradient',
  elongation: 'the lack of fit',
  slip: 'the offset',
  kink: 'the kink',
}
const SECTION_KEYS = ['A', 'I', 'EA', 'EI'] as const

/**
 * The quantities of a problem that may run from one value to another, each by the path that names it: loads,
 * stiffnesses, springs, settlements, coordinates. Those of a large problem that nobody would look for in a
 * list are left out; their paths are understood all the same.
 */
export function statedQuantities(p: Problem): StatedQuantity[] {
  return [...ofLoads(p), ...ofProperties(p), ...ofSupports(p), ...ofJoints(p)].filter(
    ({ value }) => value !== '' && value !== 'fixed' && value !== 'free',
  )
}

const entry = (path: string, words: string, value: Quantity | undefined): StatedQuantity[] =>
  value === undefined ? [] : [{ path, words, value }]

function ofLoads(p: Problem): StatedQuantity[] {
  return (p.loadCases ?? []).flatMap((c, i) =>
    c.loads.slice(0, MOST).flatMap((l, j) => {
      const on = l.type === 'nodal' ? l.node : l.member
      const of = `of load ${j + 1} of ${c.id}, on ${on}`
      return amountsOf(l, `loadCases[${i}].loads[${j}]`).map((a) => ({ ...a, words: `${a.words} ${of}` }))
    }),
  )
}

function amountsOf(l: Load, path: string): StatedQuantity[] {
  const stated = l as unknown as Record<string, Quantity | undefined>
  const own = Object.entries(LOAD_WORDS).flatMap(([key, words]) =>
    entry(`${path}.${key}`, words, stated[key]),
  )
  const points = 'points' in l && Array.isArray(l.points) ? l.points : []
  return [...own, ...points.flatMap((point, k) => entry(`${path}.points[${k}].q`, `value ${k + 1}`, point.q))]
}

const ofProperties = (p: Problem): StatedQuantity[] => [
  ...(p.sections ?? [])
    .slice(0, MOST)
    .flatMap((s, i) => SECTION_KEYS.flatMap((k) => entry(`sections[${i}].${k}`, `${k} of ${s.id}`, s[k]))),
  ...(p.materials ?? []).slice(0, MOST).flatMap((m, i) => entry(`materials[${i}].E`, `E of ${m.id}`, m.E)),
]

const ofSupports = (p: Problem): StatedQuantity[] =>
  (p.supports ?? [])
    .slice(0, MOST)
    .flatMap((s, i) =>
      (['x', 'y', 'rotation'] as const).flatMap((c) => [
        ...entry(`supports[${i}].restrain.${c}`, `the spring ${c} at ${s.node}`, s.restrain?.[c]),
        ...entry(`supports[${i}].settlement.${c}`, `the settlement ${c} at ${s.node}`, s.settlement?.[c]),
      ]),
    )

const ofJoints = (p: Problem): StatedQuantity[] =>
  p.nodes.length > MOST
    ? []
    : p.nodes.flatMap((n, i) =>
        (['x', 'y'] as const).flatMap((c) => entry(`nodes[${i}].${c}`, `${c} of ${n.id}`, n[c])),
      )
