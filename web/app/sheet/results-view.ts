import type { View } from '@viga/drawing/view'
import type {
  ActionSolution,
  checkDocument,
  Envelope,
  InfluenceLine,
  MovingEnvelope,
  Problem,
  Solution,
} from '@viga/core'
import type { StandingLoad } from '@viga/drawing/influence-line'
import type { Layers } from '@viga/drawing/scene'
import type { Place } from '@viga/core/statement/answer-place'

/** What the search for slips finds. */
export type Checked = ReturnType<typeof checkDocument>

/** A place of a member that is read: its label, and m from its start. */
export interface Probe {
  member: string
  x: number
}

/** A point in the plane of the structure, m. */
export interface PlanePoint {
  x: number
  y: number
}

/** The part of the structure whose free body is drawn. */
export type BodyChoice =
  | { kind: 'whole' }
  | { kind: 'joint'; id: string }
  | { kind: 'member'; id: string }
  | { kind: 'section'; id: string; x: number }
  | { kind: 'cut'; a: PlanePoint; b: PlanePoint; side: 'left' | 'right' }

/** What a result is compared with: another action of the problem, or another problem. */
export type Comparison =
  | { kind: 'none' }
  | { kind: 'action'; id: string }
  | { kind: 'problem'; title: string; problem: Problem }
  /** The same case in first order. */
  | { kind: 'first-order' }

/** Another state than the solved one, drawn in its place: a mode, or a step of what grows. */
export interface DrawnState {
  solution: Solution
  action: ActionSolution
  layers?: Partial<Layers>
  caption: string
}

/** How the Results are looked at; no part of the problem, and forgotten with the page. */
export interface ResultsView {
  /** Diagrams are drawn so many times as tall as usual. */
  diagramSize: number
  /** The deflected shape swings between its extremes. */
  swinging: boolean
  /** The view that the Figure was moved to, and the size of its frame, px; null while it fits itself. */
  movedView: View | null
  /** The place under the pointer, where values are read on the Figure. */
  probe: Probe | null
  /** The cases and combinations of the envelope by label; all of them when null. */
  enveloped: readonly string[] | null
  /** The envelope that the Figure draws, and the solution it is of. */
  curves: { solution: Solution; envelope: Envelope } | null
  body: BodyChoice
  /** The point that moments of the free body are taken about; the origin when null. */
  about: PlanePoint | null
  comparison: Comparison
  /** How much of the answer the Check shows; by the problem's own setting when null. */
  shows: 'verdict' | 'place' | 'slip' | 'value' | null
  /** The slips behind the hand values, of the problem they were looked for in. */
  checked: { problem: Problem; found: Checked | undefined } | null
  /** The solution as the slip behind the hand values would have it, drawn over the right one under Check. */
  redrawn: Solution | null
  /** What the Results draw in place of the solved state. */
  drawn: DrawnState | null
  /** The influence line that the Figure draws, and the loads that stand on it. */
  influence: {
    line: InfluenceLine
    loads: readonly StandingLoad[]
    caption: string
    /** The envelope of the train, drawn in place of the line, with its own caption. */
    band?: { envelope: MovingEnvelope; caption: string }
  } | null
  /** The place on the Figure whose hand value is asked for. */
  asked: Place | null
}

export const FIRST_RESULTS_VIEW: ResultsView = {
  diagramSize: 1,
  swinging: false,
  probe: null,
  movedView: null,
  enveloped: null,
  curves: null,
  body: { kind: 'whole' },
  about: null,
  comparison: { kind: 'none' },
  shows: null,
  checked: null,
  redrawn: null,
  asked: null,
  influence: null,
  drawn: null,
}
