import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { number, over, sum, times, type Formula, type Letter } from '../expression.js'
import type { Notes } from '../notes.js'
import { swayWords } from './common-steps.js'
import type { Moved } from './equations.js'
import type { Beam, RigidFrame } from './model.js'
import { at, ENDS, momentName } from './names.js'

type Letters = (address: string) => Letter

/** Notes rotations, sways and the chord rotations that follow. */
export function noteMoved(notes: Notes, f: RigidFrame, moved: Moved): void {
  const { nodes, members } = f.structure
  for (const [node, si] of [...moved.rotation, ...f.held]) {
    const { id } = nodes[node]
    const from = f.held.has(node)
      ? 'Its support prescribes it.'
      : 'The equations of equilibrium together give it.'
    notes.put(['rotation', id], {
      symbol: { letter: 'θ', sub: id },
      si,
      dimension: D.angle,
      from,
      of: [thing.node(id)],
    })
  }
  moved.sway.forEach((si, t) =>
    notes.put(['sway', t + 1], {
      symbol: { letter: 'Δ', ...(f.sways.length > 1 ? { sub: String(t + 1) } : {}) },
      si,
      dimension: D.length,
      from: `The equations of equilibrium together give it: ${swayWords(f, f.sways[t])}.`,
      of: [thing.node(nodes[f.sways[t].node].id)],
    }),
  )
  for (const b of f.beams) {
    const m = members[b.member]
    const own = f.given[b.member]
    const parts = f.sways.flatMap((s, t) =>
      s.chords[b.member] === 0 ? [] : [{ t, psi: s.chords[b.member] }],
    )
    notes.put(['chord', m.id], {
      symbol: { letter: 'ψ', of: m.id },
      si: parts.reduce((sumOf, { t, psi }) => sumOf + psi * moved.sway[t], own),
      dimension: D.angle,
      of: [thing.member(m.id)],
      from: (l) => chordFormula(m.length, own, parts, l, m.id),
    })
  }
}

/** ψ = own + Σ (ψ·L)·Δ/L, by the length of the member. */
function chordFormula(
  length: number,
  own: number,
  parts: readonly { t: number; psi: number }[],
  l: Letters,
  id: string,
): Formula {
  const terms = parts.map(({ t, psi }) => over(times(number(psi * length), l(at.sway(t))), l(at.length(id))))
  return sum(...(own === 0 ? [] : [number(own)]), ...terms)
}

/** Notes the moments at the ends of beams by their formula, and those of overhangs. */
export function noteMoments(
  notes: Notes,
  f: RigidFrame,
  moments: readonly [number, number][],
  formulaOf: (b: Beam, e: 0 | 1) => (l: Letters) => Formula,
): void {
  const { structure: s } = f
  f.beams.forEach((b, i) => {
    const { id } = s.members[b.member]
    for (const e of [0, 1] as const)
      notes.put(['moment', id, ENDS[e]], {
        symbol: momentName(s, b.member, e),
        si: moments[i][e],
        dimension: D.moment,
        of: [thing.member(id)],
        from:
          b.ends[e].known === undefined
            ? formulaOf(b, e)
            : b.ends[e].known === 0
              ? 'That end is free to turn.'
              : 'The joint has no other member that turns with it: its couple is the moment.',
      })
  })
  for (const o of f.overhangs) {
    const { id } = s.members[o.member]
    for (const e of [0, 1] as const)
      notes.put(['moment', id, ENDS[e]], {
        symbol: momentName(s, o.member, e),
        si: o.moments[e],
        dimension: D.moment,
        of: [thing.member(id)],
        from: 'By statics: the moment of all loads on the overhang about that end.',
      })
  }
}
