import { thing, type Structure } from '@viga/core'
import type { Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'
import { onScreen, type View } from '@viga/drawing/view'
import { lazy, memo, Suspense } from 'react'
import { useSheet } from '../sheet/context'
import { usePrinted } from './use-printed'
import { useReducedMotion } from '../widgets/reduced-motion'
import type { Overlay } from './Figure'
import type { Ghost as GhostOf } from './Ghost'
import type { Handles as HandlesOf } from './Handles'
import { LargeScene, MovingView } from './parts-later'
import { SceneView } from './SceneView'
import type { useGestures } from './gestures'
import type { useFigureView } from './use-figure-view'
import type { Drawn } from './use-scene'

// what follows a hand is fetched ahead of it, while the browser is idle; what reads values, with the Results
const GridDots = lazy(() => import('./Ghost').then((m) => ({ default: m.GridDots })))
const GridLines = lazy(() => import('./Ghost').then((m) => ({ default: m.GridLines })))
const Ghost = lazy(() => import('./Ghost').then((m) => ({ default: m.Ghost })))
const Handles = lazy(() => import('./Handles').then((m) => ({ default: m.Handles })))
const ProbeMark = lazy(() => import('./ProbeMark').then((m) => ({ default: m.ProbeMark })))

type Seen = ReturnType<typeof useFigureView>

interface Props {
  part: Part
  shown: Layers
  structure: Structure | undefined
  /** Joints and members are being drawn. */
  drawing: boolean
  /** Values are read where the pointer is. */
  reads: boolean
  overlay: Overlay
  seen: Seen
  drawn: Drawn
  gestures: ReturnType<typeof useGestures>
  /** What the drawing is, for assistive technology. */
  name: string
}

/**
 * The drawing itself, with what a hand sees on it: the grid, spots to press, handles, the line being drawn.
 */
export function Drawing({
  part,
  shown,
  structure,
  drawing,
  reads,
  overlay,
  seen,
  drawn,
  gestures,
  name,
}: Props) {
  const { view, size, grid, si } = seen
  const { scene, rest, lit, display } = drawn
  const swinging = useSheet((s) => s.swinging)
  const reducedMotion = useReducedMotion()
  usePrinted(seen.plane)
  const given = part === 'given'
  return (
    <>
      <div className="figure-hand" {...gestures.handlers}>
        <svg
          ref={seen.plane}
          // a large drawing has a layer of its own, lest it is painted anew with each move
          style={seen.large ? { willChange: 'transform' } : undefined}
          width={size.width}
          height={size.height}
          viewBox={`0 0 ${size.width} ${size.height}`}
          role="img"
          aria-label={name}
        >
          {drawing && <Grid view={view} grid={grid} si={si} step={gestures.step} />}
          {scene && (
            <Marks
              drawn={drawn}
              large={seen.large}
              diagram={shown.diagram}
              swinging={swinging && shown.deflected && !reducedMotion}
            />
          )}
          {!rest && structure && !scene?.panels && !overlay.sceneOn && (
            <JointSpots structure={structure} view={view} lit={lit} />
          )}
          {given && structure && !drawing && !rest && (
            <SelectedHandles structure={structure} view={view} grips={scene?.grips ?? []} />
          )}
          {given && (drawing || gestures.moving) && (
            <FollowsHand view={view} state={gestures.ghost} display={display} />
          )}
          {reads && <Reader view={view} shown={shown} />}
          {overlay.marks?.(view)}
          {gestures.box && <SelectBox {...gestures.box} />}
        </svg>
      </div>
      {rest && scene && <MovingView scene={scene} lit={lit} width={size.width} height={size.height} />}
    </>
  )
}

interface MarksProps {
  drawn: Drawn
  large: boolean
  diagram: Layers['diagram']
  swinging: boolean
}

/**
 * The marks of the scene, hidden while a canvas shows it dragged; what swings has a path of its own for each
 * member.
 */
function Marks({ drawn: { scene, ahead, rest, lit }, large, diagram, swinging }: MarksProps) {
  const { groups, labels } = rest ?? scene!
  return (
    <g display={rest ? 'none' : undefined}>
      {large && !swinging ? (
        <LargeScene {...{ groups, labels, lit, diagram, ahead }} />
      ) : (
        <SceneView {...{ groups, labels, lit, swinging }} />
      )}
    </g>
  )
}

/** The person's own grid, or the crossings that the pointer snaps to. */
const Grid = ({ grid, view, si, step }: Pick<Seen, 'grid' | 'view' | 'si'> & { step: number }) => (
  <Suspense>
    {grid ? <GridLines view={view} grid={grid} si={si} /> : <GridDots view={view} step={step} />}
  </Suspense>
)

const FollowsHand = (props: Parameters<typeof GhostOf>[0]) => (
  <Suspense>
    <Ghost {...props} />
  </Suspense>
)

/** What is read where the pointer is: of the diagram that is drawn, or of the envelope. */
const Reader = ({ view, shown }: { view: View; shown: Layers }) => (
  <Suspense>
    <ProbeMark
      view={view}
      diagram={shown.all || shown.envelope ? null : shown.diagram}
      envelope={shown.envelope ? shown.diagram : null}
    />
  </Suspense>
)

type HandlesProps = Parameters<typeof HandlesOf>[0]

function SelectedHandles(props: Omit<HandlesProps, 'problem' | 'selection'>) {
  const problem = useSheet((s) => s.problem)
  const selection = useSheet((s) => s.selection)
  return (
    selection !== null && (
      <Suspense>
        <Handles {...props} problem={problem} selection={selection} />
      </Suspense>
    )
  )
}

/** Where a press means a joint: a circle round each, seen when the joint is pointed at. */
const JointSpots = memo(function JointSpots({
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
})

const SelectBox = ({ a, b }: { a: { x: number; y: number }; b: { x: number; y: number } }) => (
  <rect
    className="select-box"
    x={Math.min(a.x, b.x)}
    y={Math.min(a.y, b.y)}
    width={Math.abs(a.x - b.x)}
    height={Math.abs(a.y - b.y)}
  />
)
