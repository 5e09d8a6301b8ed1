import type { Structure } from '@viga/core'
import type { DiagramKey } from '@viga/drawing/diagrams'
import type { Group } from '@viga/drawing/marks'
import { drawScene, type Scene, type SceneInput } from '@viga/drawing/scene'
import type { View } from '@viga/drawing/view'
import { useEffect, useMemo, useState } from 'react'
import { quietly } from '../widgets/quietly'
import { CARRIED } from './use-carried-view'

export type SceneOf = Omit<SceneInput, 'structure'> & { structure: Structure | undefined }

/** Drawings of a large structure that are kept: N, V, M, and what was shown before. */
const KEPT = 4
const kept = new WeakMap<Structure, { of: SceneInput; scene: Scene }[]>()

const isLarge = (s: Structure | undefined): s is Structure => (s?.members.length ?? 0) > CARRIED

/** Whether two values, or what stands in two objects, are the same. */
const same = (a: unknown, b: unknown) =>
  Object.is(a, b) ||
  (typeof a === 'object' &&
    typeof b === 'object' &&
    a !== null &&
    b !== null &&
    Object.keys({ ...a, ...b }).every((k) => Object.is(Reflect.get(a, k), Reflect.get(b, k))))

/** A layer that was never chosen is told as off, or not at all. */
const chosen = (layers: object) => Object.fromEntries(Object.entries(layers).filter(([, on]) => Boolean(on)))

const alike = (a: SceneInput, b: SceneInput) =>
  Object.keys({ ...a, ...b }).every((k) => {
    // what is chosen and how it is seen are told anew each time; the rest is the same object or another
    const [x, y] = [Reflect.get(a, k) as unknown, Reflect.get(b, k) as unknown]
    if (k === 'layers') return same(chosen(a.layers), chosen(b.layers))
    return k === 'view' ? same(x, y) : Object.is(x, y)
  })

/** A drawing; that of a large structure is kept for when the same is asked for again. */
export function sceneOf(of: SceneInput): Scene {
  if (!isLarge(of.structure)) return drawScene(of)
  const known = kept.get(of.structure) ?? []
  const found = known.find((k) => alike(k.of, of)) ?? { of, scene: drawScene(of) }
  kept.set(of.structure, [found, ...known.filter((k) => k !== found)].slice(0, KEPT))
  return found.scene
}

/** The drawing with another diagram, where it is kept. */
export interface Ahead {
  diagram: DiagramKey
  groups: readonly Group[]
}

const NONE: readonly Ahead[] = []

/** The same drawing with the other diagrams, as far as those are kept. */
export function aheadOf(of: SceneInput): readonly Ahead[] {
  const { layers, structure } = of
  const others = (kept.get(structure) ?? []).flatMap((k) => {
    const { diagram } = k.of.layers
    const other = diagram !== null && diagram !== layers.diagram && alike(withDiagram(of, diagram), k.of)
    return other ? [{ diagram, groups: k.scene.groups }] : []
  })
  return others.length > 0 ? others : NONE
}

const withDiagram = (of: SceneInput, diagram: DiagramKey): SceneInput => ({
  ...of,
  layers: { ...of.layers, diagram },
})

/**
 * The drawing, made anew only when something of it is another, and what is ready to take its place when
 * another diagram is asked for.
 */
export function useDrawnScene(
  sceneOn: ((view: View) => Scene | undefined) | undefined,
  { structure, ...rest }: SceneOf,
): { scene: Scene | undefined; ahead: readonly Ahead[] } {
  // the parts of the drawing are the same objects as long as they are what they were
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const of = useMemo(() => structure && { structure, ...rest }, [structure, ...PARTS.map((k) => rest[k])])
  const made = useOthersAhead(of)
  const own = useMemo(() => sceneOn?.(rest.view), [sceneOn, rest.view])
  const scene = useMemo(() => own ?? (of && sceneOf(of)), [own, of])
  // what is kept changes when another drawing was made ahead
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const ahead = useMemo(() => (of && !own ? aheadOf(of) : NONE), [of, own, made])
  return { scene, ahead }
}

const PARTS = [
  ...(['view', 'display', 'loads', 'cases', 'notes', 'compared', 'byHand', 'layers'] as const),
  ...(['enveloped', 'solved', 'before', 'enlarge', 'signs', 'diagramSize'] as const),
] as const satisfies readonly Exclude<keyof SceneInput, 'structure'>[]

/**
 * Draws the other diagrams of a large structure in quiet moments, so that they are there when asked for.
 * @returns how many have been drawn so far
 */
function useOthersAhead(of: SceneInput | undefined): number {
  const [made, setMade] = useState(0)
  useEffect(() => {
    const { layers, structure, solved } = of ?? {}
    if (!isLarge(structure) || !solved || !layers?.diagram || layers.all || layers.envelope) return
    const others = (['N', 'V', 'M'] as const).filter((k) => k !== layers.diagram)
    let stop = () => {}
    const next = () => {
      const diagram = others.pop()
      if (!diagram) return
      stop = quietly(() => {
        const { groups } = sceneOf(withDiagram(of!, diagram))
        void import('./bundles').then(({ bundlesOf }) => {
          bundlesOf(groups)
          setMade((n) => n + 1)
        })
        next()
      })
    }
    next()
    return () => stop()
  }, [of])
  return made
}
