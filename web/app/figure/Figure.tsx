import { isThing, type Structure } from '@viga/core'
import { memo, useMemo, useRef, type ReactNode, type RefObject } from 'react'
import { structureOf, useSheet, useSheetStore, useSolved } from '../sheet/context'
import type { FigureKey } from '../sheet/figure-keys'
import { chosen } from '../sheet/targets'
import { caption, type Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'
import type { View } from '@viga/drawing/view'
import { useClipboard } from '../commands/use-clipboard'
import { SELECTION_COMMANDS } from '../commands/selection'
import { useCommands } from '../commands/use-commands'
import { Drawing } from './Drawing'
import { LayerBar } from './LayerBar'
import { useGestures } from './gestures'
import type { PlaneGestures } from './hand'
import { useDrawing } from './use-drawing'
import { TypedStep } from './parts-later'
import { useFigureView } from './use-figure-view'
import { useScene, type Besides, type Drawn } from './use-scene'
import './figure.css'
import './probe.css'

/** What a panel beside the selected things is handed. */
export interface FigurePanel {
  structure: Structure
  view: View
  onClose: () => void
}

/** What another room lays over the Figure: a drawing, notes, gestures of its own. */
export interface Overlay extends Besides {
  /** Presses and drags on the plane that mean something else than moving the view. */
  gestures?: PlaneGestures
  /** Marks above the drawing, in its px. */
  marks?: (view: View) => ReactNode
  /** What the caption says instead. */
  caption?: string
  /** A sentence after the caption. */
  note?: string
}

interface Props {
  part: Part
  figureKey: FigureKey
  /** The panels beside one selected thing and beside several; the Figure says where and when. */
  panels: {
    one: (panel: FigurePanel & { selection: string }) => ReactNode
    many: (panel: FigurePanel) => ReactNode
  }
  overlay?: Overlay
}

/** The Figure: always in view, always live. It draws what it is given and reports gestures. */
export const Figure = memo(function Figure({ part, figureKey, panels, overlay = {} }: Props) {
  const store = useSheetStore()
  const frame = useRef<HTMLDivElement>(null)
  const [asked, setDrawing] = useDrawing()
  const given = part === 'given'
  const drawing = asked && given
  const { structure, shown, seen, drawn, gestures, reads } = useLive(
    { part, figureKey, overlay },
    frame,
    drawing,
  )
  useCommands(SELECTION_COMMANDS, { store }, given)
  useClipboard(given)
  const said = useCaption(part, shown, drawn, overlay)
  return (
    <section className={`figure${drawing ? ' drawing' : ''}`} aria-label="Figure">
      <div ref={frame} className="figure-frame">
        <Drawing
          {...{ part, shown, structure, drawing, overlay, gestures, reads }}
          seen={seen}
          drawn={drawn}
          name={said.alone}
        />
        {drawing && (
          <TypedStep
            at={gestures.ghost.point}
            chained={gestures.chain !== null}
            onPlace={gestures.placeTyped}
          />
        )}
        {(structure?.nodes.length ?? 0) === 0 && (
          <Nothing given={given} pointed={gestures.ghost.point !== null} />
        )}
        {structure && !gestures.busy && (
          <Panels part={part} panels={panels} view={seen.view} structure={structure} />
        )}
      </div>
      <p className="figure-caption">
        <b>Figure.</b> {said.whole}
      </p>
      <LayerBar
        part={part}
        figureKey={figureKey}
        drawing={asked}
        setDrawing={setDrawing}
        refit={seen.refit}
        truss={structure?.kind === 'truss'}
        enlarged={drawn.scene?.enlarged ?? 0}
      />
    </section>
  )
})

/** What the Figure draws of its problem, how it is seen, and what a hand does on it. */
function useLive(
  { part, figureKey, overlay }: { part: Part; figureKey: FigureKey; overlay: Overlay },
  frame: RefObject<HTMLDivElement | null>,
  drawing: boolean,
) {
  const outcome = useSheet((s) => s.outcome)
  const layers = useSheet((s) => s.shown[figureKey])
  const given = part === 'given'
  const shown = useUncovered(layers, overlay.covered === true && !given)
  const solved = useSolved()
  // the Given is drawn as it is stated now; results are drawn with the structure they belong to
  const structure = !given && solved ? solved.solution.structure : structureOf(outcome)
  const seen = useFigureView(frame, structure, shown, drawing)
  const { view, refit, setView, fitting } = seen
  const drawn = useScene({ part, structure, view, shown, ...overlay })
  const { scene } = drawn
  const reads = part === 'results' && !overlay.covered && !overlay.sceneOn && !scene?.panels
  const gestures = useGestures({
    ...{ view, setView, refit, fitting, drawing, structure, reads },
    movable: given,
    grid: given ? seen.ownGrid : undefined,
    grips: scene?.grips ?? [],
    plane: overlay.gestures,
  })
  return { structure, shown, seen, drawn, gestures, reads }
}

/** What stands under the Figure, with its remarks and without them. */
function useCaption(part: Part, shown: Layers, { scene, display }: Drawn, overlay: Overlay) {
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const together = useSheet((s) => s.together) && part === 'given'
  const said = (id: string | null) =>
    overlay.caption ?? caption(problem, part, shown, display, scene?.enlarged ?? 0, id, scene).text
  const remarks = [
    together ? 'All cases, each by its lines and its label.' : '',
    overlay.caption === undefined ? (overlay.note ?? '') : '',
  ]
  const whole = [said(together ? null : actionId), ...remarks].filter(Boolean).join(' ')
  return { alone: said(actionId), whole }
}

/** The form beside one selected thing, or beside several. */
function Panels({
  part,
  panels,
  view,
  structure,
}: Pick<Props, 'part' | 'panels'> & { view: View; structure: Structure }) {
  const store = useSheetStore()
  const selection = useSheet((s) => s.selection)
  const group = useMemo(() => chosen(selection), [selection])
  const many = group.nodes.length + group.members.length + group.loads.length > 1
  const given = part === 'given'
  const panel = { view, structure, onClose: () => store.getState().select(null) }
  if (many) return given ? panels.many(panel) : null
  if (!selection || !(given || (part === 'working' && isThing(selection, 'load')))) return null
  return panels.one({ ...panel, selection })
}

/** The layers where results are held back: the problem as it is given. */
const useUncovered = (shown: Layers, covered: boolean): Layers =>
  useMemo(
    () =>
      covered
        ? {
            ...shown,
            ...{ diagram: null, reactions: false, deflected: false, all: false, envelope: false },
            ...{ loads: true, dimensions: true, supports: true, names: true },
          }
        : shown,
    [shown, covered],
  )

/** What an empty Figure says. */
function Nothing({ given, pointed }: { given: boolean; pointed: boolean }) {
  if (!given) return <p className="figure-empty">Nothing is drawn yet. State the problem under Given.</p>
  if (pointed) return null
  return (
    <p className="figure-empty">
      Click to place a joint; drag from joint to joint to connect them.
      <br />
      Or type coordinates into the table at the right.
    </p>
  )
}
