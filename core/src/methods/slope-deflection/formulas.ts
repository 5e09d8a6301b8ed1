import { minus, number, over, sum, times, type Formula, type Letter } from '../expression.js'
import type { Beam, RigidFrame } from '../frames/model.js'
import { at } from '../frames/names.js'

type Letters = (address: string) => Letter

/** Whether the chord of a beam turns, by a sway or by what is prescribed. */
export const chordTurns = (f: RigidFrame, b: Beam): boolean =>
  Math.abs(f.given[b.member]) > 0 || f.sways.some((s) => Math.abs(s.chords[b.member]) > 0)

/** The rotation of the joint at an end of a beam; undefined where it is 0. */
function rotation(f: RigidFrame, b: Beam, e: 0 | 1, l: Letters): Formula | undefined {
  const node = b.nodes[e]
  if (!f.joints.includes(node) && !(f.held.get(node) ?? 0)) return undefined
  return l(at.rotation(f.structure.nodes[node].id))
}

/**
 * The slope–deflection equation of an end: 2EI/L·(2θ + θ of the far end − 3ψ) + FEM, or 3EI/L·(θ − ψ) +
 * FEM′ where the far end has a known moment.
 */
export function slopeDeflection(f: RigidFrame, b: Beam, e: 0 | 1, l: Letters): Formula {
  const m = f.structure.members[b.member]
  const far = e === 0 ? 1 : 0
  const psi = chordTurns(f, b) ? l(at.chord(m.id)) : undefined
  const near = rotation(f, b, e, l)
  const [EI, L] = [l(at.rigidity(m.id)), l(at.length(m.id))]
  const terms: Formula[] = []
  if (b.sprung) {
    const k = b.stiffness[e]
    const other = rotation(f, b, far, l)
    if (near) terms.push(times(l(stiffnessAt(m.id, e, e)), near))
    if (other && k[far] !== 0) terms.push(times(l(stiffnessAt(m.id, e, far)), other))
    if (psi) terms.push(minus(times(sum(l(stiffnessAt(m.id, e, e)), l(stiffnessAt(m.id, e, far))), psi)))
  } else if (b.modified) {
    const turned = [...(near ? [near] : []), ...(psi ? [minus(psi)] : [])]
    if (turned.length) terms.push(times(over(times(number(3), EI), L), sum(...turned)))
  } else {
    const other = rotation(f, b, far, l)
    const turned = [
      ...(near ? [times(number(2), near)] : []),
      ...(other ? [other] : []),
      ...(psi ? [minus(times(number(3), psi))] : []),
    ]
    if (turned.length) terms.push(times(over(times(number(2), EI), L), sum(...turned)))
  }
  if (b.fixed[e] !== 0) terms.push(l(b.modified || b.sprung ? at.modified(m.id, e) : at.fixed(m.id, e)))
  return sum(...terms)
}

/** The address of a stiffness that springs at the ends of a member have changed. */
export const stiffnessAt = (id: string, e: 0 | 1, of: 0 | 1): string =>
  `sprung/${encodeURIComponent(id)}/${e}/${of}`
