import {
  lettersOf,
  readThing,
  signsOf,
  thing,
  type ActionSolution,
  type Envelope,
  type Solution,
  type Structure,
} from '@viga/core'
import { numbered } from '@viga/core/methods/stiffness/numbering'
import type { LabelRequest } from '@viga/drawing/label-placement'
import { casesShown, type CasesShown } from '@viga/drawing/cases-shown'
import type { Part } from '@viga/drawing/caption'
import type { HandDiagram } from '@viga/drawing/hand-diagram'
import { figureLetters } from '@viga/drawing/letters'
import type { Layers, Scene } from '@viga/drawing/scene'
import type { View } from '@viga/drawing/view'
import { drawnLoads } from '@viga/drawing/words'
import { useMemo, useState } from 'react'
import { useDisplay, useSheet, useSolved } from '../sheet/context'
import { targetsOf } from '../sheet/targets'
import { useBrowserLayout } from '../widgets/after-paint'
import { useDrawnScene } from './drawn-scene'

/** What is drawn besides the problem and its results. */
export interface Besides {
  /** What is written on the drawing besides, for a view of it. */
  notesOn?: (view: View) => LabelRequest[] | undefined
  /** A drawing that takes the place of the usual one. */
  sceneOn?: (view: View) => Scene | undefined
  /** Another result on the same members, drawn over the first. */
  compared?: { solution: Solution; action: ActionSolution; hand?: boolean }
  /** Diagrams drawn by hand, over the computed ones. */
  byHand?: readonly HandDiagram[]
  /** Another state than the solved one, drawn in its place. */
  instead?: { solution: Solution; action: ActionSolution; layers?: Partial<Layers> }
  /** Results are held back: the structure is drawn as it is given. */
  covered?: boolean
}

interface Args extends Besides {
  part: Part
  structure: Structure | undefined
  view: View
  shown: Layers
}

/**
 * The cases whose loads are drawn: those of the chosen case or combination, or all of them. The Given
 * draws them as they are stated, the other parts with their factors, as the results are.
 */
function useCases(part: Part): CasesShown {
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const together = useSheet((s) => s.together) && part === 'given'
  return useMemo(() => {
    if (together) return new Set(problem.loadCases?.map((c) => c.id))
    const shown = casesShown(problem, actionId)
    return part === 'given' ? new Set(shown.keys()) : shown
  }, [problem, actionId, together, part])
}

/** The envelope while it is drawn, once it is there for the solution. */
function useCurves({ envelope, diagram }: Layers): Envelope | undefined {
  const outcome = useSheet((s) => s.outcome)
  const curves = useSheet((s) => s.curves)
  const ours = outcome.stage === 'solved' && curves?.solution === outcome.solution
  return envelope && ours && curves.envelope.key === diagram ? curves.envelope : undefined
}

/** What the Figure draws, and what of it is lit. */
export type Drawn = ReturnType<typeof useScene>

/**
 * The drawing of the Figure. While something is dragged, labels go along with it and a canvas shows it;
 * `rest` is then the drawing as it was before.
 */
export function useScene(args: Args) {
  const { part, view, notesOn, sceneOn, compared, byHand, covered, instead } = args
  const dragging = useSheet((s) => s.dragging)
  const own = useSolved()
  const solved = useInstead(instead) ?? own
  const structure = instead ? instead.solution.structure : args.structure
  const shown = useMemo(() => ({ ...args.shown, ...instead?.layers }), [args.shown, instead])
  const hidden = covered === true && part !== 'given'
  const display = useDisplay()
  const cases = useCases(part)
  // the statement is looked at only where it has letters to show
  const lettered = useSheet((s) => (lettersOf(s.problem) === 'numbers' ? undefined : s.problem))
  const letters = useMemo(() => lettered && figureLetters(lettered), [lettered])
  const loads = useMemo(
    () => (structure ? drawnLoads(structure, cases, display, lettered) : []),
    [structure, cases, display, lettered],
  )
  const notes = useMemo(() => notesOn?.(view), [notesOn, view])
  const [rest, setRest] = useState<Scene | null>(null)
  const { scene, ahead } = useDrawnScene(sceneOn, {
    ...useLook(part),
    ...{ structure, view, display, loads, letters, cases, notes, compared, byHand },
    layers: shown,
    enveloped: useCurves(shown),
    solved: !hidden && solved?.solution.structure === structure ? solved : undefined,
    before: rest?.labels,
  })
  useBrowserLayout(() => {
    if (dragging !== (rest !== null)) setRest(dragging ? (scene ?? null) : null)
  }, [dragging, rest, scene])
  return { scene, ahead, rest, lit: useLit(shown, solved?.solution), display }
}

/** How the problem asks for its results to be drawn. */
function useLook(part: Part) {
  const problem = useSheet((s) => s.problem)
  const enlarge = useSheet((s) => s.enlarge)
  const diagramSize = useSheet((s) => s.diagramSize)
  const signs = useMemo(() => signsOf(problem), [problem])
  return { enlarge, signs, diagramSize: part === 'results' ? diagramSize : 1 }
}

/** Another state, numbered as the solved one would be. */
function useInstead(instead: Besides['instead']) {
  const view = useSheet((s) => s.problem.view)
  return useMemo(
    () => instead && { ...numbered(instead.solution, { view }), action: instead.action },
    [instead, view],
  )
}

/** Nothing is lit; the same set each time, so that what shows it is not shown anew. */
const NOTHING: ReadonlySet<string> = new Set()

/** What is pointed at or selected, by the targets that the drawing knows it by. */
function useLit(shown: Layers, solution: Solution | undefined): ReadonlySet<string> {
  const hover = useSheet((s) => s.hover)
  const selection = useSheet((s) => s.selection)
  return useMemo(() => {
    const out = new Set<string>()
    for (const t of [hover, selection])
      for (const x of targetsOf(t)) for (const y of seenAs(x, shown, solution)) out.add(y)
    return out.size === 0 ? NOTHING : out
  }, [hover, selection, shown, solution])
}

/**
 * What a target is seen as: an unknown whose arrow is not drawn by its joint, and by the reaction there where
 * those are.
 */
function seenAs(target: string, shown: Layers, solution: Solution | undefined): string[] {
  const it = shown.unknowns ? undefined : readThing(target)
  const dof = it?.kind === 'dof' ? solution?.dofs.list[it.index] : undefined
  const id = dof && solution!.structure.nodes[dof.node].id
  return id === undefined
    ? [target]
    : [target, thing.node(id), ...(shown.reactions ? [thing.support(id)] : [])]
}
