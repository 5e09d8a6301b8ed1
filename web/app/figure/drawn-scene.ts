import type { Structure } from '@viga/core'
import { drawScene, type Scene, type SceneInput } from '@viga/drawing/scene'
import type { View } from '@viga/drawing/view'
import { useEffect, useMemo } from 'react'
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

const alike = (a: SceneInput, b: SceneInput) =>
  Object.keys({ ...a, ...b }).every((k) =>
    // what is chosen and how it is seen are told anew each time; the rest is the same object or another
    k === 'layers' || k === 'view'
      ? same(Reflect.get(a, k), Reflect.get(b, k))
      : Object.is(Reflect.get(a, k), Reflect.get(b, k)),
  )

/** A drawing; that of a large structure is kept for when the same is asked for again. */
export function sceneOf(of: SceneInput): Scene {
  if (!isLarge(of.structure)) return drawScene(of)
  const known = kept.get(of.structure) ?? []
  const found = known.find((k) => alike(k.of, of)) ?? { of, scene: drawScene(of) }
  kept.set(of.structure, [found, ...known.filter((k) => k !== found)].slice(0, KEPT))
  return found.scene
}

/** The drawing, made anew only when something of it is another. */
export function useDrawnScene(
  sceneOn: ((view: View) => Scene | undefined) | undefined,
  { structure, ...rest }: SceneOf,
): Scene | undefined {
  // the parts of the drawing are the same objects as long as they are what they were
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const of = useMemo(() => structure && { structure, ...rest }, [structure, ...PARTS.map((k) => rest[k])])
  useOthersAhead(of)
  return useMemo(() => sceneOn?.(rest.view) ?? (of && sceneOf(of)), [sceneOn, rest.view, of])
}

const PARTS = [
  ...(['view', 'display', 'loads', 'cases', 'notes', 'compared', 'byHand', 'layers'] as const),
  ...(['enveloped', 'solved', 'before', 'enlarge', 'signs', 'diagramSize'] as const),
] as const satisfies readonly Exclude<keyof SceneInput, 'structure'>[]

/** Draws the other diagrams of a large structure in quiet moments, so that they are there when asked for. */
function useOthersAhead(of: SceneInput | undefined) {
  useEffect(() => {
    const { layers, structure, solved } = of ?? {}
    if (!isLarge(structure) || !solved || !layers?.diagram || layers.all || layers.envelope) return
    const others = (['N', 'V', 'M'] as const).filter((k) => k !== layers.diagram)
    let stop = () => {}
    const next = () => {
      const diagram = others.pop()
      if (!diagram) return
      stop = quietly(() => {
        const { groups } = sceneOf({ ...of!, layers: { ...layers, diagram } })
        void import('./bundles').then(({ bundlesOf }) => bundlesOf(groups))
        next()
      })
    }
    next()
    return () => stop()
  }, [of])
}
