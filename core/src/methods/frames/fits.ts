import type { Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import { beyondCourse } from '../course.js'
import type { Fit, Repair } from '../method.js'
import { actingOf } from '../numbers.js'
import { movedOf } from './equations.js'
import { actionsOf } from '../acting-loads.js'
import { isLevel, rigidFrame } from './model.js'

const no = (why: string, repair?: Repair): Fit => ({ fits: false, why, ...(repair ? { repair } : {}) })

const isSquare = (angle: number) => Math.abs(Math.sin(2 * angle)) < 1e-9

/** Fits frames and beams whose members keep their length, or whose lengths have no influence. */
export function fitsRigidFrame(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (s.kind === 'truss') return no('The members of a truss carry axial force alone, so no end has a moment.')
  const bending = s.members.filter((m) => !m.bar)
  if (bending.length === 0) return no('No member bends here.')
  const sheared = s.members.find((m) => m.GAs > 0)
  if (sheared) return no(`Shear deformation of ${sheared.id} is counted, which this method leaves out.`)
  const released = s.members.find((m) => !m.bar && [0, 1, 3, 4].some((k) => m.releases[k] !== false))
  if (released)
    return no(
      `${released.id} has an end that passes on no axial force or no shear, which this method does not have.`,
    )
  const changing = s.members.find((m) => !m.axiallyRigid)
  const level = isLevel(s) && s.members.every((m) => !m.bar) && s.supports.every((p) => isSquare(p.angle))
  if (changing && !level)
    return no(
      `${changing.id} changes its length, and that has an influence here: neglect axial deformation in the ` +
        'Given, and the method fits.',
      isLevel(s) ? undefined : 'neglect-axial',
    )
  const first = s.cases[0] && actingOf(s, s.cases[0].id)
  const frame = first && rigidFrame(s, actionsOf(s, first))
  if (first && (!frame || !movedOf(frame)))
    return no('The rotations and displacements of its joints are not found from its equations alone.')
  return { fits: true }
}
