import type { Problem } from '../../document/types.js'
import { caseActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { beyondCourse } from '../course.js'
import type { Fit } from '../method.js'

/** A regular storeyed frame: its joints by line from the left and level from the ground, and its members. */
export interface StoreyGrid {
  /** Joint of a line at a level. */
  joints: number[][]
  /** Member that is the column of a line in a storey, storeys counted from 0. */
  columns: number[][]
  /** Member that is the beam from a line to the next at a level; level 0 has none. */
  beams: number[][]
  x: number[]
  y: number[]
  pinned: boolean
}

const levelsOf = (values: readonly number[], size: number): number[] =>
  [...values].sort((a, b) => a - b).filter((v, i, all) => i === 0 || v - all[i - 1] > 1e-6 * size)

/** The grid of a frame; undefined where it is not a regular storeyed one. */
export function storeyGrid(s: Structure): StoreyGrid | undefined {
  const size = Math.max(0, ...s.members.map((m) => m.length))
  const x = levelsOf(
    s.nodes.map((n) => n.x),
    size,
  )
  const y = levelsOf(
    s.nodes.map((n) => n.y),
    size,
  )
  if (x.length < 2 || y.length < 2 || s.nodes.length !== x.length * y.length) return undefined
  const near = (a: number, b: number) => Math.abs(a - b) <= 1e-6 * size
  const joints = x.map((a) => y.map((b) => s.nodes.findIndex((n) => near(n.x, a) && near(n.y, b))))
  if (joints.flat().includes(-1)) return undefined
  const between = (a: number, b: number) =>
    s.members.findIndex((m) => (m.start === a && m.end === b) || (m.start === b && m.end === a))
  const columns = joints.map((line) => line.slice(1).map((top, k) => between(line[k], top)))
  const beams = joints
    .slice(1)
    .map((line, i) => line.map((right, k) => (k === 0 ? -1 : between(joints[i][k], right))))
  const all = [...columns.flat(), ...beams.flatMap((b) => b.slice(1))]
  if (all.includes(-1) || all.length !== s.members.length) return undefined
  if (s.members.some((m) => m.bar || m.releases.some((r) => r !== false))) return undefined
  const feet = joints.map((line) => s.supports.find((p) => p.node === line[0]))
  const held = feet.every(
    (p) => p?.hold.x === true && p.hold.y === true && typeof p.hold.rotation === 'boolean',
  )
  if (!held || s.supports.length !== feet.length) return undefined
  const pinned = feet[0]!.hold.rotation === false
  if (feet.some((p) => (p!.hold.rotation === false) !== pinned)) return undefined
  return { joints, columns, beams, x, y, pinned }
}

/** Whether a frame is regular and loaded by level forces at its joints alone. */
export function fitsStoreyed(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (s.kind === 'truss' || !storeyGrid(s))
    return {
      fits: false,
      why:
        'This method is for regular storeyed frames: every line has a column in every storey, every ' +
        'floor a beam in ' +
        'every bay, and all feet are fixed or all pinned.',
    }
  const other = s.cases.some((_, i) => {
    const { nodal, members } = caseActions(s, i)
    return members.size > 0 || nodal.some((v, k) => k % 3 !== 0 && v !== 0)
  })
  return other
    ? { fits: false, why: 'Every load must be level and at a joint for this method.' }
    : { fits: true }
}
