import {
  coursesOf,
  isThing,
  type ActionSolution,
  type Envelope,
  type Course,
  type Display,
  type Signs,
  type Solution,
  type Structure,
  type working,
} from '@viga/core'
import { drawAxialForces } from './axial-forces'
import { drawDeflected, largestDisplacement } from './deflected'
import type { CasesShown } from './cases-shown'
import { drawDiagram, largest, type DiagramKey, type DiagramOptions } from './diagrams'
import { drawEnvelope } from './envelope-diagram'
import { isLevelBeam, sideBySide, stackedBelow, type TogetherInput } from './together'
import { zeroMarks } from './zero-marks'
import type { FigureLetters } from './letters'
import { chainsBeyond, dimensionGroups, dimensionReach } from './dimensions'
import {
  place,
  placeAsBefore,
  type Box,
  type Obstacle,
  type Placed,
  type LabelRequest,
} from './label-placement'
import { drawLoads, LOAD_HAND, type DrawnLoad, type Grip, type LoadHand } from './loads'
import type { Group } from './marks'
import { FULL_HAND, memberGroups } from './members'
import { niceBelow } from './nice'
import { drawReactions } from './reactions'
import { statedValues } from './stated-values'
import { drawUnknowns } from './unknowns'
import { dashed, faint, inSight, loneJoints, memberObstacles, supportBoxes } from './scene-parts'
import { jointLetters, memberNames, rigidityNames } from './scene-names'
import { supportGroups } from './supports'
import { drawHandDiagrams, largestByHand, type HandDiagram } from './hand-diagram'
import { isMap, MANY, roominess, type View } from './view'

export interface Layers {
  loads: boolean
  dimensions: boolean
  supports: boolean
  unknowns: boolean
  reactions: boolean
  names: boolean
  diagram: DiagramKey | null
  deflected: boolean
  /** N, V and M together: below a beam, or each on a smaller picture. */
  all?: boolean
  /** Points of contraflexure on the moment diagram, of zero shear on the shear diagram. */
  zeros?: boolean
  /** The diagram is that of the envelope of several cases. */
  envelope?: boolean
  /** Truss members of one thickness, whatever their force. */
  plain?: boolean
}

export interface SceneInput {
  structure: Structure
  view: View
  layers: Layers
  loads: readonly DrawnLoad[]
  /** The cases whose loads are drawn: their settlements and own weight are, too. */
  cases?: CasesShown
  display: Display
  /** What the figure writes in letters besides its loads. */
  letters?: FigureLetters
  /** Present when the structure is solved. */
  solved?: working.NumberedSolution & { action: ActionSolution }
  /** The conventions of diagrams; the core's own where they are left out. */
  signs?: Signs
  /** Diagrams are drawn so many times as tall as usual. */
  diagramSize?: number
  /** The envelope that is drawn in place of a diagram, once it is there. */
  enveloped?: Envelope
  /**
   * Another result on the same members, drawn over the first with a dashed line, or in pencil where it is a
   * hand solution.
   */
  compared?: { solution: Solution; action: ActionSolution; hand?: boolean }
  /** Diagrams of members as a hand solution has them, laid over the computed ones. */
  byHand?: readonly HandDiagram[]
  /** Enlargement of the deflected shape; chosen by itself when 0. */
  enlarge: number
  /** Values of Check drawn at their places. */
  notes?: readonly LabelRequest[]
  /** While something is dragged: the labels as they stood before, which go along with what they belong to. */
  before?: readonly Placed[]
}

export interface Scene {
  groups: Group[]
  labels: Placed[]
  /** How many times the deflected shape is enlarged. */
  enlarged: number
  /** Too small for words: they come when it is enlarged. */
  map: boolean
  /** Corners of distributed loads, to be pulled. */
  grips: Grip[]
  /** The structure stands there several times, smaller: its joints are not where the view has them. */
  panels: boolean
}

/** Height of the largest deflection on the screen when it chooses its own scale, px. */
const DEFLECTION_PX = 42

/** A picture while it is drawn: what is there, and what labels must keep clear of. */
interface Picture {
  groups: Group[]
  labelRequests: LabelRequest[]
  obstacles: Obstacle[]
  boxes: Box[]
  /** Where load arrows are: dimension chains stand beyond them. */
  loaded: Box[]
  grips: Grip[]
  enlarged: number
}

/** Properties of the input that several layers use. */
interface Drawn extends SceneInput {
  /** The share of their usual size that drawings have room for. */
  room: number
  /** Members are drawn as thin axes, since something is drawn on them. */
  axis: boolean
  /** Axial forces of a truss take the place of its members. */
  forces: boolean
  courses: Course[] | undefined
}

/** Adds the parts of a layer to a picture. */
function add(p: Picture, layer: Partial<Pick<Picture, 'groups' | 'labelRequests' | 'obstacles' | 'boxes'>>) {
  p.groups.push(...(layer.groups ?? []))
  p.labelRequests.push(...(layer.labelRequests ?? []))
  p.obstacles.push(...(layer.obstacles ?? []))
  p.boxes.push(...(layer.boxes ?? []))
}

/**
 * Everything the Figure shows, as plain marks in drawing order, with every label placed clear of the others.
 * Pure: the same input gives the same drawing on screen, on paper and in a test.
 */
export function drawScene(input: SceneInput): Scene {
  const { structure: s, view, layers, solved } = input
  const map = isMap(s, view)
  if (layers.all && solved && s.kind !== 'truss' && !isLevelBeam(s)) return panelScene(input, solved)
  const axis = layers.diagram !== null || layers.deflected
  const drawn: Drawn = {
    ...input,
    room: roominess(s, view),
    axis,
    forces: s.kind === 'truss' && layers.diagram === 'N' && solved !== undefined,
    courses: solved && axis ? coursesOf(solved.solution, solved.action) : undefined,
  }
  const p: Picture = {
    groups: [],
    labelRequests: [],
    obstacles: map && !input.notes?.length ? [] : memberObstacles(s, view, axis),
    boxes: layers.supports ? supportBoxes(s, view, axis) : [],
    loaded: [],
    grips: [],
    enlarged: 0,
  }
  addForces(drawn, p)
  addMembers(drawn, p)
  addDeflected(drawn, p)
  add(p, { groups: layers.supports ? supportGroups(s, view, FULL_HAND, !axis) : [] })
  add(p, { groups: loneJoints(s, view) })
  if (layers.loads) addLoads(drawn, p)
  if (solved && layers.unknowns && !map) add(p, drawUnknowns(solved, view))
  addReactions(drawn, p)
  const labels = placedLabels(drawn, p, map)
  if (layers.dimensions) addDimensions(drawn, p, labels)
  return { groups: p.groups, labels, enlarged: p.enlarged, grips: p.grips, map, panels: false }
}

/** N, V and M each on a smaller picture of the structure. */
function panelScene(input: SceneInput, solved: NonNullable<SceneInput['solved']>): Scene {
  const { view } = input
  const { groups, labelRequests, obstacles } = sideBySide(togetherInput(input, solved))
  const labels = place(labelRequests, obstacles, [], view)
  return { groups, labels, enlarged: 0, grips: [], map: false, panels: true }
}

const togetherInput = (
  { view, display, signs, diagramSize = 1 }: SceneInput,
  { solution, action }: NonNullable<SceneInput['solved']>,
): TogetherInput => ({
  solution,
  action,
  courses: coursesOf(solution, action),
  view,
  display,
  signs,
  size: diagramSize,
})

/** Internal forces: a diagram along each member, or the axial forces of a truss. */
function addForces(drawn: Drawn, p: Picture) {
  const { view, layers, display, solved, courses, forces } = drawn
  if (!solved) return
  if (forces)
    return add(p, drawAxialForces(solved.solution, view, solved.action, display.force.perSI, layers.plain))
  if (!courses || !layers.diagram) return
  if (layers.all) return add(p, stackedBelow(togetherInput(drawn, solved)))
  const key = layers.diagram
  const options = diagramOptions(drawn, key)
  if (layers.envelope) {
    if (drawn.enveloped) add(p, drawEnvelope(drawn.structure, view, drawn.enveloped, options))
    return
  }
  const other = drawn.compared && coursesOf(drawn.compared.solution, drawn.compared.action)
  const { byHand = [] } = drawn
  const max = Math.max(largest(courses, key), other ? largest(other, key) : 0, largestByHand(byHand, key))
  add(p, drawDiagram(solved.solution, view, courses, { ...options, max }))
  if (other) {
    const second = drawn.compared!.hand ? 'pencil' : 'cedar-deep'
    add(p, drawDiagram(drawn.compared!.solution, view, other, { ...options, max, second }))
  }
  add(p, { groups: drawHandDiagrams(drawn.structure, view, byHand, { ...options, max }) })
  if (layers.zeros && key !== 'N') add(p, zeroMarks(drawn.structure, view, courses, key, display.length))
}

function diagramOptions(
  { room, structure: s, view, display, signs, diagramSize = 1 }: Drawn,
  key: DiagramKey,
): DiagramOptions {
  return {
    key,
    tall: Math.max(20, 64 * room) * diagramSize,
    spare: s.members.length > MANY,
    wordless: isMap(s, view),
    once: isLevelBeam(s),
    shown: key === 'M' ? display.moment.perSI : display.force.perSI,
    signs,
  }
}

function addMembers({ structure: s, view, layers, axis, forces }: Drawn, p: Picture) {
  const members = memberGroups(s, view, axis ? 'axis' : 'timber', FULL_HAND)
  // force lines take the place of the members of a truss; its joints stay
  if (forces) add(p, { groups: members.filter((g) => isThing(g.target, 'node')) })
  else add(p, { groups: layers.deflected ? faint(members) : members })
}

function addDeflected({ view, layers, solved, courses, enlarge, compared }: Drawn, p: Picture) {
  if (!solved || !courses || !layers.deflected) return
  const most = largestDisplacement(courses)
  const own = most > 0 ? niceBelow(DEFLECTION_PX / most / view.scale) : 0
  p.enlarged = enlarge > 0 ? enlarge : own
  const factor = p.enlarged * view.scale
  if (most > 0) add(p, { groups: drawDeflected(solved.solution, view, courses, factor) })
  if (most > 0 && compared) {
    const other = coursesOf(compared.solution, compared.action)
    add(p, { groups: dashed(drawDeflected(compared.solution, view, other, factor)) })
  }
}

/** The sizes of load arrows where there is less room than usual. */
const loadHand = (room: number): LoadHand =>
  room === 1
    ? LOAD_HAND
    : {
        ...LOAD_HAND,
        tall: Math.max(12, LOAD_HAND.tall * room),
        gap: Math.max(7, LOAD_HAND.gap * room),
        apart: LOAD_HAND.apart * Math.max(0.6, room),
        point: Math.max(24, LOAD_HAND.point * room),
      }

function addLoads({ structure: s, view, loads, room, cases, display }: Drawn, p: Picture) {
  const d = drawLoads(s, view, loads, loadHand(room))
  add(p, d)
  if (cases && !isMap(s, view)) add(p, statedValues(s, view, display, cases))
  p.grips = d.grips
  p.loaded.push(...d.obstacles.flatMap((o) => [o.a, o.b]).map(({ x, y }) => ({ x, y, w: 8, h: 8 })))
}

function addReactions({ view, layers, solved, display, axis }: Drawn, p: Picture) {
  if (!solved || !layers.reactions) return
  const units = { force: display.force.perSI, moment: display.moment.perSI }
  add(p, drawReactions(solved.solution, view, solved.action, units, !axis))
}

/** Letters of joints, values and names, those in sight, each clear of what is drawn and of the others. */
function placedLabels(drawn: Drawn, p: Picture, map: boolean): Placed[] {
  const { structure: s, view, layers, display, notes = [], before } = drawn
  const letters = map ? [] : jointLetters(s, view)
  // beside the unknowns a name stands only where it has room
  const names = layers.names && !map ? memberNames(s, view, display, layers.unknowns) : []
  // beside results they would be taken for values
  const bare = !map && layers.diagram === null && !layers.deflected
  const rigidities = bare && drawn.letters ? rigidityNames(s, view, drawn.letters.rigidities) : []
  // where members are crowded, a value is written only where it has room; the table lists them all
  const crowd = s.members.length > MANY
  const values = map
    ? []
    : p.labelRequests.map((w) => (crowd && isThing(w.target, 'member') ? { ...w, optional: true } : w))
  const all = [...letters, ...notes, ...values, ...rigidities, ...names].filter((w) => inSight(w, view))
  if (all.length === 0) return []
  return before ? placeAsBefore(all, before) : place(all, p.obstacles, p.boxes, view)
}

function addDimensions(drawn: Drawn, p: Picture, labels: readonly Placed[]) {
  const { structure: s, view, display, loads, layers, letters } = drawn
  // the places of loads are dimensioned where the loads are drawn
  const acting = layers.loads ? loads.map((l) => l.load) : []
  const reach = dimensionReach(s, view, [...p.boxes, ...p.loaded], labels, chainsBeyond(s, acting))
  add(p, {
    groups: dimensionGroups({ structure: s, view, loads: acting, length: display.length, letters }, reach),
  })
}
