import {
  isThing,
  readThing,
  thing,
  dimension,
  siPerCoherent,
  type Solution,
  type Structure,
} from '@viga/core'
import { memo, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { useDisplay, useSheet, useSheetStore, useSolved, structureOf } from '../sheet/context'
import type { Plate } from '../sheet/plates'
import type { Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'
import { chosen, targetsOf } from '../sheet/targets'
import { useBrowserLayout } from '../widgets/after-paint'
import { caption } from '@viga/drawing/caption'
import type { Wish } from '@viga/drawing/label-placement'
import { Ghost, GridDots, GridLines } from './Ghost'
import { TypedStep } from './TypedStep'
import { useClipboard } from '../commands/clipboard'
import { SELECTION_COMMANDS } from '../commands/selection'
import { useCommands } from '../commands/use-commands'
import { Handles } from './Handles'
import { LayerBar } from './LayerBar'
import { gridOf } from '@viga/core/statement/grid'
import { MovingView } from './MovingView'
import { drawScene, type Scene } from '@viga/drawing/scene'
import { SceneView } from './SceneView'
import { useGestures } from './gestures'
import { useDrawing } from './use-drawing'
import { fit, insetsFor, onScreen, type View } from '@viga/drawing/view'
import { drawnLoads } from '@viga/drawing/words'
import './figure.css'

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

/** What a panel beside the selected things is handed. */
export interface FigurePanel {
  structure: Structure
  view: View
  onClose: () => void
}

interface Props {
  part: Part
  plate: Plate
  /** The panels beside one selected thing and beside several; the Figure says where and when. */
  panels: {
    one: (panel: FigurePanel & { selection: string }) => ReactNode
    many: (panel: FigurePanel) => ReactNode
  }
  /** What is written on the drawing besides, for a view of it. */
  notesOn?: (view: View) => Wish[] | undefined
}

/** The Figure: always in view, always live. It draws what it is given and reports gestures. */
export const Figure = memo(function Figure({ part, plate, panels, notesOn }: Props) {
  const store = useSheetStore()
  const outcome = useSheet((s) => s.outcome)
  const shown = useSheet((s) => s.shown[plate])
  const hover = useSheet((s) => s.hover)
  const selection = useSheet((s) => s.selection)
  const actionId = useSheet((s) => s.actionId)
  const problem = useSheet((s) => s.problem)
  const enlarge = useSheet((s) => s.enlarge)
  const solved = useSolved()
  const display = useDisplay()
  // the Given is drawn as it is stated now; results are drawn with the structure they belong to
  const structure = part !== 'given' && solved ? solved.solution.structure : structureOf(outcome)
  const frame = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 704, height: 664 })
  const [own, setOwn] = useState<View | null>(null)
  const [drawing, setDrawing] = useDrawing()

  useBrowserLayout(() => {
    const element = frame.current
    if (!element) return
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight })
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [])

  // while the structure is being drawn by hand, the paper must not move under the pointer
  const [held, setHeld] = useState<View | null>(null)
  const nodes = structure?.nodes
  const hold = drawing && part === 'given'
  const ownGrid = useMemo(() => gridOf(problem), [problem])
  const grid = hold ? ownGrid : undefined
  const si = siPerCoherent(problem.units, dimension.length)
  // while drawing, the grid is in view as well as what stands on it
  const fitted = useMemo(() => {
    const corners = grid
      ? [
          { x: 0, y: 0 },
          { x: si * Math.max(0, ...grid.xs), y: si * Math.max(0, ...grid.ys) },
        ]
      : []
    return fit([...(nodes ?? []), ...corners], size.width, size.height, insetsFor(size.width, size.height))
  }, [nodes, size, grid, si])
  const gridWords = grid && `${grid.across}|${grid.up}`
  useEffect(() => {
    setHeld(hold ? fitted : null)
    if (!hold) setOwn(null)
    // The view of the moment when drawing begins, or the grid changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [hold, size, gridWords])
  // … until something stands outside it
  useEffect(() => {
    if (!hold || own || !held || !nodes) return
    const out = nodes.some((n) => {
      const p = onScreen(held, n.x, n.y)
      return p.x < 30 || p.y < 30 || p.x > size.width - 30 || p.y > size.height - 30
    })
    if (out) setHeld(fitted)
  }, [nodes, hold, own, held, fitted, size])
  const view = useMemo(() => ({ ...(own ?? held ?? fitted), ...size }), [own, held, fitted, size])

  const together = useSheet((s) => s.together) && part === 'given'
  const cases = useMemo(() => {
    if (together) return new Set(problem.loadCases?.map((c) => c.id))
    const combination = problem.combinations?.find((c) => c.id === actionId)
    return new Set(combination ? Object.keys(combination.factors) : actionId === null ? [] : [actionId])
  }, [problem, actionId, together])
  const loads = useMemo(
    () => (structure ? drawnLoads(structure, cases, display) : []),
    [structure, cases, display],
  )
  const panel = { view, onClose: () => store.getState().select(null) }
  const notes = useMemo(() => notesOn?.(view), [notesOn, view])
  // while something is dragged, labels go along with it and a canvas shows it; at rest it is drawn anew
  const [rest, setRest] = useState<Scene | null>(null)
  const scene = useMemo(
    () =>
      structure &&
      drawScene({
        structure,
        view,
        layers: shown,
        loads,
        cases,
        display,
        solved: solved?.solution.structure === structure ? solved : undefined,
        enlarge,
        notes,
        before: rest?.labels,
      }),
    [structure, view, shown, loads, cases, display, solved, enlarge, notes, rest],
  )
  const lit = useMemo(() => {
    const out = new Set<string>()
    for (const t of [hover, selection])
      for (const x of targetsOf(t)) for (const y of seenAs(x, shown, solved?.solution)) out.add(y)
    return out
  }, [hover, selection, shown, solved])

  // the bar below need not be drawn anew with each place a joint moves to
  const toFit = useRef({ hold, fitted })
  useEffect(() => {
    toFit.current = { hold, fitted }
  })
  const refit = useCallback(() => {
    setOwn(null)
    if (toFit.current.hold) setHeld(toFit.current.fitted)
  }, [])
  const gestures = useGestures({
    view,
    setView: setOwn,
    drawing: drawing && part === 'given',
    movable: part === 'given',
    structure,
    refit,
    fitting: own === null,
    grid: part === 'given' ? ownGrid : undefined,
    grips: scene?.grips ?? [],
  })
  const dragging = useSheet((s) => s.dragging)
  useBrowserLayout(() => {
    if (dragging !== (rest !== null)) setRest(dragging ? (scene ?? null) : null)
  }, [dragging, rest, scene])
  const group = useMemo(() => chosen(selection), [selection])
  const many = group.nodes.length + group.members.length + group.loads.length > 1
  useCommands(SELECTION_COMMANDS, { store }, part === 'given')
  useClipboard(part === 'given')
  const empty = !structure || structure.nodes.length === 0
  return (
    <section className={`figure${drawing && part === 'given' ? ' drawing' : ''}`} aria-label="Figure">
      <div ref={frame} className="figure-frame">
        <svg
          width={size.width}
          height={size.height}
          viewBox={`0 0 ${size.width} ${size.height}`}
          role="img"
          aria-label={caption(problem, part, shown, display, scene?.enlarged ?? 0, actionId, scene?.map).text}
          {...gestures.handlers}
        >
          {drawing && part === 'given' && !grid && <GridDots view={view} step={gestures.step} />}
          {drawing && part === 'given' && grid && <GridLines view={view} grid={grid} si={si} />}
          {scene && (
            <g display={rest ? 'none' : undefined}>
              <SceneView groups={(rest ?? scene).groups} labels={(rest ?? scene).labels} lit={lit} />
            </g>
          )}
          {!rest &&
            structure?.nodes.map((n) => {
              const p = onScreen(view, n.x, n.y)
              return (
                <circle
                  key={n.id}
                  data-target={thing.node(n.id)}
                  cx={p.x}
                  cy={p.y}
                  r={11}
                  className={`joint-hit${lit.has(thing.node(n.id)) ? ' on' : ''}`}
                />
              )
            })}
          {part === 'given' && structure && !drawing && !rest && (
            <Handles
              problem={problem}
              structure={structure}
              view={view}
              selection={selection}
              grips={scene?.grips ?? []}
            />
          )}
          {part === 'given' && (drawing || gestures.moving) && (
            <Ghost view={view} state={gestures.ghost} display={display} />
          )}
          {gestures.box && (
            <rect
              className="select-box"
              x={Math.min(gestures.box.a.x, gestures.box.b.x)}
              y={Math.min(gestures.box.a.y, gestures.box.b.y)}
              width={Math.abs(gestures.box.a.x - gestures.box.b.x)}
              height={Math.abs(gestures.box.a.y - gestures.box.b.y)}
            />
          )}
        </svg>
        {rest && scene && <MovingView scene={scene} lit={lit} width={size.width} height={size.height} />}
        {drawing && part === 'given' && (
          <TypedStep
            at={gestures.ghost.point}
            chained={gestures.chain !== null}
            onPlace={gestures.placeTyped}
          />
        )}
        {empty && part !== 'given' && (
          <p className="figure-empty">Nothing is drawn yet. State the problem under Given.</p>
        )}
        {empty && part === 'given' && !gestures.ghost.point && (
          <p className="figure-empty">
            Click to place a joint; drag from joint to joint to connect them.
            <br />
            Or type coordinates into the table at the right.
          </p>
        )}
        {(part === 'given' || (part === 'working' && isThing(selection, 'load'))) &&
          structure &&
          selection &&
          !many &&
          !gestures.busy &&
          panels.one({ ...panel, structure, selection })}
        {part === 'given' && structure && many && !gestures.busy && panels.many({ ...panel, structure })}
      </div>
      <p className="figure-caption">
        <b>Figure.</b>{' '}
        {
          caption(problem, part, shown, display, scene?.enlarged ?? 0, together ? null : actionId, scene?.map)
            .text
        }
        {together && ' All cases, each by its lines and its label.'}
      </p>
      <LayerBar
        part={part}
        plate={plate}
        drawing={drawing}
        setDrawing={setDrawing}
        refit={refit}
        truss={structure?.kind === 'truss'}
        enlarged={scene?.enlarged ?? 0}
      />
    </section>
  )
})
