import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { addressOf } from '../address.js'
import type { LetterName } from '../expression.js'
import type { Notes } from '../notes.js'
import type { Coherent } from '../noted-method.js'
import { reactionName } from '../../document/reaction-name.js'
import { solvedFor, type EquationTerms } from '../solved-for.js'
import type { Statics } from './equilibrium.js'
import type { Equation, Finding } from './reactions.js'

/** The address of a reaction. */
export function reactionAt({ structure, reactions }: Statics, r: number): string {
  const { node, component } = reactions[r]
  return addressOf('reaction', structure.nodes[node].id, component)
}

function nameOf({ structure, reactions }: Statics, r: number): LetterName {
  const { node, component } = reactions[r]
  return reactionName(structure.nodes[node].id, component)
}

const dimensionOf = ({ reactions }: Statics, r: number) =>
  reactions[r].component === 'rotation' ? D.moment : D.force

/** An equation with its numbers in coherent units: arms are lengths, the factor of a moment is 1. */
export function termsOf(st: Statics, e: Equation, coherent: Coherent): EquationTerms {
  return {
    terms: e.terms.map(({ reaction, factor }) => ({
      at: reactionAt(st, reaction),
      factor:
        e.about && st.reactions[reaction].component !== 'rotation' ? coherent(factor, D.length) : factor,
    })),
    loads: coherent(e.loads, e.about ? D.moment : D.force),
  }
}

/** Notes each reaction by the equation that it was found from, and what the stiffness method finds for it. */
export function noteReactions(
  notes: Notes,
  st: Statics,
  found: readonly Finding[],
  coherent: Coherent,
  solver: (reaction: number) => number,
): void {
  for (const { equations, found: here } of found)
    for (const r of here) {
      const of = [thing.support(st.structure.nodes[st.reactions[r].node].id)]
      const at = reactionAt(st, r)
      const [equation] = equations
      const common = { symbol: nameOf(st, r), dimension: dimensionOf(st, r), of }
      const { node, component } = st.reactions[r]
      notes.put(['reaction', st.structure.nodes[node].id, component], {
        ...common,
        si: st.values[r],
        from:
          equations.length === 1
            ? (letter) => solvedFor(termsOf(st, equation, coherent), at, letter)
            : 'These equations together give it.',
      })
      notes.put(['solver-reaction', st.structure.nodes[node].id, component], {
        ...common,
        si: solver(r),
        from: 'The stiffness method finds this.',
      })
    }
}

export const solverAt = ({ structure, reactions }: Statics, r: number): string =>
  addressOf('solver-reaction', structure.nodes[reactions[r].node].id, reactions[r].component)
