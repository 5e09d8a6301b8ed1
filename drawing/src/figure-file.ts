import {
  displayOf,
  signsOf,
  working,
  type ActionSolution,
  type Problem,
  type Solution,
  type Structure,
} from '@viga/core'
import { boundsOf, type Bounds } from './bounds'
import { caption } from './caption'
import { envelopeShown } from './envelope-diagram'
import { figureLetters } from './letters'
import { drawScene, type Layers } from './scene'
import type { Picture } from './svg'
import { FIGURE_INSETS, fit, insetsFor, type View } from './view'
import { isLevelBeam } from './together'
import { casesShown } from './cases-shown'
import { drawnLoads } from './words'

/** What a figure of its own shows, by the names that the command line and addresses use. */
export const SHOWN = [
  'N',
  'V',
  'M',
  'all',
  'deflected',
  'loads',
  'dimensions',
  'supports',
  'names',
  'reactions',
  'zeros',
  'envelope',
] as const
export type Shown = (typeof SHOWN)[number]

export interface FigureOptions {
  shown: readonly Shown[]
  /** The case or combination; the first where it is left out. */
  case?: string
  /** Size of the picture before it is cropped, px. */
  width?: number
  height?: number
  /** How the structure lies on it; as large as it goes where it is left out. */
  view?: Pick<View, 'scale' | 'ox' | 'oy'>
  /** Enlargement of the deflected shape; chosen by itself when 0. */
  enlarge?: number
  diagramSize?: number
  captioned?: boolean
}

const USUAL = { width: 704, height: 664 }

/**
 * The layers that a list of names stands for; supports are always there unless other layers leave no room.
 */
export function layersOf(shown: readonly Shown[], truss = false): Layers {
  const has = (name: Shown) => shown.includes(name)
  const asked = (['M', 'V', 'N'] as const).find(has) ?? (has('all') || has('envelope') ? 'M' : null)
  // the bars of a truss carry axial force alone
  const diagram = asked && truss ? 'N' : asked
  return {
    loads: has('loads'),
    dimensions: has('dimensions'),
    supports: true,
    unknowns: false,
    reactions: has('reactions'),
    names: has('names'),
    deflected: has('deflected'),
    diagram,
    all: has('all') && !truss,
    zeros: has('zeros'),
    envelope: has('envelope'),
  }
}

/** The view in which a figure begins: stacked diagrams of a beam need the room below it. */
export function firstView(s: Structure, layers: Layers, width: number, height: number): View {
  const insets = width === USUAL.width && height === USUAL.height ? FIGURE_INSETS : insetsFor(width, height)
  if (!layers.all || !isLevelBeam(s)) return fit(s.nodes, width, height, insets)
  return fit(s.nodes, width, height, { ...insets, bottom: height - insets.top - 60 })
}

/** The figure of a problem as a picture of its own, cropped to what is drawn. */
export function figurePicture(
  problem: Problem,
  structure: Structure,
  solution: Solution | undefined,
  options: FigureOptions,
): Picture | undefined {
  const layers = layersOf(options.shown, structure.kind === 'truss')
  const { width, height } = { ...USUAL, ...pickSize(options) }
  const view = options.view ? { ...options.view, width, height } : firstView(structure, layers, width, height)
  const all = solution ? [...solution.cases, ...solution.combinations] : []
  const action: ActionSolution | undefined = all.find((a) => a.id === options.case) ?? all[0]
  const actionId = action?.id ?? options.case ?? null
  const cases = casesShown(problem, actionId)
  const display = displayOf(problem)
  const scene = drawScene({
    structure,
    view,
    layers,
    loads: drawnLoads(structure, cases, display, problem),
    letters: figureLetters(problem),
    cases,
    display,
    solved: solution && action && { ...working.numbered(solution, problem), action },
    enlarge: options.enlarge ?? 0,
    signs: signsOf(problem),
    diagramSize: options.diagramSize,
    enveloped: solution && envelopeShown(layers, solution),
  })
  const whole = boundsOf(scene.groups, scene.labels)
  if (!whole) return undefined
  // as somebody has moved it, the Figure ends where its frame does
  const bounds = options.view ? within(whole, view) : whole
  const words = caption(problem, 'results', layers, display, scene.enlarged, actionId, scene).text
  return {
    groups: scene.groups,
    labels: scene.labels,
    bounds,
    clipped: options.view !== undefined,
    ...(options.captioned && { caption: words }),
  }
}

/** The part of some bounds that lies within the frame of a view; the whole frame where none does. */
function within({ x, y, width, height }: Bounds, view: View): Bounds {
  const [x0, y0] = [Math.max(0, x), Math.max(0, y)]
  const [x1, y1] = [Math.min(view.width, x + width), Math.min(view.height, y + height)]
  return x1 > x0 && y1 > y0
    ? { x: x0, y: y0, width: x1 - x0, height: y1 - y0 }
    : { x: 0, y: 0, width: view.width, height: view.height }
}

const pickSize = ({ width, height }: FigureOptions) => ({
  ...(width && { width }),
  ...(height && { height }),
})
