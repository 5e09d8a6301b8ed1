import type { Structure } from '../../structure/types.js'
import type { StoreyGrid } from './grid.js'

/** Forces of a storeyed frame: moments on the ends counter-clockwise, shear as at the start of a member. */
export interface StoreyForces {
  /**
   * By member: the moment at both of its ends (at a pinned foot 0), its shear and its axial force, tension
   * +.
   */
  start: Float64Array
  end: Float64Array
  shear: Float64Array
  axial: Float64Array
  /** Shear of each storey, N. */
  storey: number[]
}

/** What the loads are at each level, N to the right, by line and level. */
export const levelLoads = (g: StoreyGrid, nodal: Float64Array): number[][] =>
  g.joints.map((line) => line.map((n) => nodal[3 * n]))

/** The shear of each storey: all loads above it. */
export const storeyShears = (g: StoreyGrid, loads: readonly number[][]): number[] =>
  g.columns[0].map((_, k) => loads.reduce((t, line) => t + line.slice(k + 1).reduce((u, v) => u + v, 0), 0))

const empty = (s: Structure, storey: number[]): StoreyForces => ({
  start: new Float64Array(s.members.length),
  end: new Float64Array(s.members.length),
  shear: new Float64Array(s.members.length),
  axial: new Float64Array(s.members.length),
  storey,
})

/** Puts the moments of a column: at its top, and the same at its foot unless that is pinned. */
function setColumn(s: Structure, g: StoreyGrid, f: StoreyForces, i: number, k: number, top: number): void {
  const member = g.columns[i][k]
  const foot = g.pinned && k === 0 ? 0 : top
  const isUp = s.members[member].start === g.joints[i][k]
  f.start[member] = isUp ? foot : top
  f.end[member] = isUp ? top : foot
  f.shear[member] = (top + foot) / s.members[member].length
}

function setBeam(s: Structure, g: StoreyGrid, f: StoreyForces, i: number, k: number, moment: number): void {
  const member = g.beams[i][k]
  f.start[member] = f.end[member] = moment
  f.shear[member] = (2 * moment) / s.members[member].length
}

/** The moment that the columns at a joint put on their ends there. */
function columnsAt(s: Structure, g: StoreyGrid, f: StoreyForces, i: number, k: number): number {
  const at = (member: number, node: number) =>
    s.members[member].start === node ? f.start[member] : f.end[member]
  const node = g.joints[i][k]
  const above = k < g.columns[i].length ? at(g.columns[i][k], node) : 0
  return at(g.columns[i][k - 1], node) + above
}

/** Axial forces of beams, from the left, out of loads and shears of columns. */
function setBeamAxial(g: StoreyGrid, f: StoreyForces, loads: readonly number[][]): void {
  for (let k = 1; k < g.y.length; k++) {
    let left = 0
    for (let i = 0; i < g.beams.length; i++) {
      const above = k < g.columns[i].length ? f.shear[g.columns[i][k]] : 0
      left += f.shear[g.columns[i][k - 1]] - above - loads[i][k]
      f.axial[g.beams[i][k]] = left
    }
  }
}

/** The portal method: an inner column takes twice the shear of an outer one. */
export function portalForces(s: Structure, g: StoreyGrid, nodal: Float64Array): StoreyForces {
  const loads = levelLoads(g, nodal)
  const storey = storeyShears(g, loads)
  const f = empty(s, storey)
  const bays = g.beams.length
  storey.forEach((H, k) =>
    g.columns.forEach((_, i) => {
      const V = ((i === 0 || i === bays ? 1 : 2) * H) / (2 * bays)
      const h = g.y[k + 1] - g.y[k]
      setColumn(s, g, f, i, k, g.pinned && k === 0 ? V * h : (V * h) / 2)
    }),
  )
  for (let k = g.y.length - 1; k >= 1; k--) {
    let before = 0
    for (let i = 0; i < bays; i++) {
      before = -columnsAt(s, g, f, i, k) - before
      setBeam(s, g, f, i, k, before)
    }
  }
  for (let i = 0; i <= bays; i++) {
    let N = 0
    for (let k = g.y.length - 1; k >= 1; k--) {
      const right = i < bays ? f.shear[g.beams[i][k]] : 0
      const left = i > 0 ? f.shear[g.beams[i - 1][k]] : 0
      N += left - right
      f.axial[g.columns[i][k - 1]] = N
    }
  }
  setBeamAxial(g, f, loads)
  return f
}

/** Areas of the columns of a storey: as stated, or alike where one is not stated. */
export function areasOf(s: Structure, g: StoreyGrid, k: number): number[] {
  const areas = g.columns.map((line) => s.members[line[k]].A)
  return areas.every((A) => A > 0) ? areas : areas.map(() => 1)
}

/** The line about which the columns of a storey resist overturning, m from the first line. */
export function centroidOf(s: Structure, g: StoreyGrid, k: number): number {
  const areas = areasOf(s, g, k)
  const sum = areas.reduce((t, A) => t + A, 0)
  return areas.reduce((t, A, i) => t + A * g.x[i], 0) / sum
}

/** The moment of the loads above a storey about its points of inflection, clockwise, N·m. */
export function overturning(g: StoreyGrid, loads: readonly number[][], k: number): number {
  const at = g.pinned && k === 0 ? g.y[0] : (g.y[k] + g.y[k + 1]) / 2
  return loads.reduce((t, line) => t + line.reduce((u, H, n) => (n > k ? u + H * (g.y[n] - at) : u), 0), 0)
}

/** The cantilever method: axial forces of columns grow with their distance from the centroid of all. */
export function cantileverForces(s: Structure, g: StoreyGrid, nodal: Float64Array): StoreyForces {
  const loads = levelLoads(g, nodal)
  const f = empty(s, storeyShears(g, loads))
  g.columns[0].forEach((_, k) => {
    const areas = areasOf(s, g, k)
    const centroid = centroidOf(s, g, k)
    const second = areas.reduce((t, A, i) => t + A * (g.x[i] - centroid) ** 2, 0)
    const M = overturning(g, loads, k)
    areas.forEach((A, i) => (f.axial[g.columns[i][k]] = (M * A * (centroid - g.x[i])) / second))
  })
  const bays = g.beams.length
  for (let k = g.y.length - 1; k >= 1; k--) {
    let shear = 0
    for (let i = 0; i < bays; i++) {
      const above = k < g.columns[i].length ? f.axial[g.columns[i][k]] : 0
      shear += above - f.axial[g.columns[i][k - 1]]
      setBeam(s, g, f, i, k, (shear * (g.x[i + 1] - g.x[i])) / 2)
    }
    for (let i = 0; i <= bays; i++) {
      const right = i < bays ? f.start[g.beams[i][k]] : 0
      const left = i > 0 ? f.start[g.beams[i - 1][k]] : 0
      const upper = g.columns[i][k]
      const above =
        upper === undefined ? 0 : s.members[upper].start === g.joints[i][k] ? f.start[upper] : f.end[upper]
      setColumn(s, g, f, i, k - 1, -left - right - above)
    }
  }
  setBeamAxial(g, f, loads)
  return f
}
