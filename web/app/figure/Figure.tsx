import { isThing, thing, type Structure } from '@viga/core'
import { lazy, memo, Suspense, useMemo, useRef, type ReactNode } from 'react'
import { structureOf, useSheet, useSheetStore, useSolved } from '../sheet/context'
import type { Plate } from '../sheet/plates'
import { chosen } from '../sheet/targets'
import { caption, type Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'
import { onScreen, type View } from '@viga/drawing/view'
import { useClipboard } from '../commands/clipboard'
import { SELECTION_COMMANDS } from '../commands/selection'
import { useCommands } from '../commands/use-commands'
import { Ghost, GridDots, GridLines } from './Ghost'
import { Handles } from './Handles'
import { LayerBar } from './LayerBar'
import { MovingView } from './MovingView'
import { SceneView } from './SceneView'
import { TypedStep } from './TypedStep'
import { useGestures } from './gestures'
import type { PlaneGestures } from './hand'
import { useDrawing } from './use-drawing'
import { useFigureView } from './use-figure-view'
import { useScene, type Besides } from './use-scene'
import { useCalmMotion } from '../widgets/calm-motion'
import './figure.css'

// values are read in the Results alone: what reads them comes when they are first opened
const ProbeMark = lazy(() => import('./ProbeMark').then((m) => ({ default: m.ProbeMark })))

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
  plate: Plate
  /** The panels beside one selected thing and beside several; the Figure says where and when. */
  panels: {
    one: (panel: FigurePanel & { selection: string }) => ReactNode
    many: (panel: FigurePanel) => ReactNode
  }
  overlay?: Overlay
}

/** The Figure: always in view, always live. It draws what it is given and reports gestures. */
export const Figure = memo(function Figure({ part, plate, panels, overlay = {} }: Props) {
  const store = useSheetStore()
  const outcome = useSheet((s) => s.outcome)
  const chosenLayers = useSheet((s) => s.shown[plate])
  const shown = useUncovered(chosenLayers, overlay.covered === true && part !== 'given')
  const selection = useSheet((s) => s.selection)
  const actionId = useSheet((s) => s.actionId)
  const problem = useSheet((s) => s.problem)
  const swinging = useSheet((s) => s.swinging)
  const together = useSheet((s) => s.together) && part === 'given'
  const calmMotion = useCalmMotion()
  const solved = useSolved()
  // the Given is drawn as it is stated now; results are drawn with the structure they belong to
  const structure = part !== 'given' && solved ? solved.solution.structure : structureOf(outcome)
  const frame = useRef<HTMLDivElement>(null)
  const [asked, setDrawing] = useDrawing()
  const given = part === 'given'
  const drawing = asked && given

  const { view, size, grid, ownGrid, si, refit, setView, fitting } = useFigureView(
    frame,
    structure,
    shown,
    drawing,
  )
  const { scene, rest, lit, display } = useScene({ part, structure, view, shown, ...overlay })
  const gestures = useGestures({
    view,
    setView,
    drawing,
    movable: given,
    structure,
    refit,
    fitting,
    grid: given ? ownGrid : undefined,
    grips: scene?.grips ?? [],
    reads: part === 'results' && !overlay.covered && !overlay.sceneOn && !scene?.panels,
    plane: overlay.gestures,
  })
  const group = useMemo(() => chosen(selection), [selection])
  const many = group.nodes.length + group.members.length + group.loads.length > 1
  useCommands(SELECTION_COMMANDS, { store }, given)
  useClipboard(given)
  const empty = !structure || structure.nodes.length === 0
  const panel = { view, onClose: () => store.getState().select(null) }
  const said = (id: string | null) =>
    overlay.caption ?? caption(problem, part, shown, display, scene?.enlarged ?? 0, id, scene?.map).text
  return (
    <section className={`figure${drawing ? ' drawing' : ''}`} aria-label="Figure">
      <div ref={frame} className="figure-frame">
        <svg
          width={size.width}
          height={size.height}
          viewBox={`0 0 ${size.width} ${size.height}`}
          role="img"
          aria-label={said(actionId)}
          {...gestures.handlers}
        >
          {drawing && !grid && <GridDots view={view} step={gestures.step} />}
          {drawing && grid && <GridLines view={view} grid={grid} si={si} />}
          {scene && (
            <g display={rest ? 'none' : undefined}>
              <SceneView
                groups={(rest ?? scene).groups}
                labels={(rest ?? scene).labels}
                lit={lit}
                swinging={swinging && shown.deflected && !calmMotion}
              />
            </g>
          )}
          {!rest && structure && !scene?.panels && !overlay.sceneOn && (
            <JointSpots structure={structure} view={view} lit={lit} />
          )}
          {given && structure && !drawing && !rest && (
            <Handles
              problem={problem}
              structure={structure}
              view={view}
              selection={selection}
              grips={scene?.grips ?? []}
            />
          )}
          {given && (drawing || gestures.moving) && (
            <Ghost view={view} state={gestures.ghost} display={display} />
          )}
          {part === 'results' && !overlay.covered && !overlay.sceneOn && !scene?.panels && (
            <Suspense>
              <ProbeMark
                view={view}
                diagram={shown.all || shown.envelope ? null : shown.diagram}
                envelope={shown.envelope ? shown.diagram : null}
              />
            </Suspense>
          )}
          {overlay.marks?.(view)}
          {gestures.box && <SelectBox {...gestures.box} />}
        </svg>
        {rest && scene && <MovingView scene={scene} lit={lit} width={size.width} height={size.height} />}
        {drawing && (
          <TypedStep
            at={gestures.ghost.point}
            chained={gestures.chain !== null}
            onPlace={gestures.placeTyped}
          />
        )}
        {empty && <Nothing given={given} pointed={gestures.ghost.point !== null} />}
        {(given || (part === 'working' && isThing(selection, 'load'))) &&
          structure &&
          selection &&
          !many &&
          !gestures.busy &&
          panels.one({ ...panel, structure, selection })}
        {given && structure && many && !gestures.busy && panels.many({ ...panel, structure })}
      </div>
      <p className="figure-caption">
        <b>Figure.</b> {said(together ? null : actionId)}
        {together && ' All cases, each by its lines and its label.'}
        {overlay.note && overlay.caption === undefined && ` ${overlay.note}`}
      </p>
      <LayerBar
        part={part}
        plate={plate}
        drawing={asked}
        setDrawing={setDrawing}
        refit={refit}
        truss={structure?.kind === 'truss'}
        enlarged={scene?.enlarged ?? 0}
      />
    </section>
  )
})

/** What is drawn where results are held back: the structure without them. */
const useUncovered = (shown: Layers, covered: boolean): Layers =>
  useMemo(
    () =>
      covered
        ? { ...shown, diagram: null, reactions: false, deflected: false, all: false, envelope: false }
        : shown,
    [shown, covered],
  )

/** Where a press means a joint: a circle round each, seen when the joint is pointed at. */
function JointSpots({
  structure,
  view,
  lit,
}: {
  structure: Structure
  view: View
  lit: ReadonlySet<string>
}) {
  return structure.nodes.map((n) => {
    const p = onScreen(view, n.x, n.y)
    const on = lit.has(thing.node(n.id))
    return (
      <circle
        key={n.id}
        data-target={thing.node(n.id)}
        cx={p.x}
        cy={p.y}
        r={11}
        className={`joint-hit${on ? ' on' : ''}`}
      />
    )
  })
}

const SelectBox = ({ a, b }: { a: { x: number; y: number }; b: { x: number; y: number } }) => (
  <rect
    className="select-box"
    x={Math.min(a.x, b.x)}
    y={Math.min(a.y, b.y)}
    width={Math.abs(a.x - b.x)}
    height={Math.abs(a.y - b.y)}
  />
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
