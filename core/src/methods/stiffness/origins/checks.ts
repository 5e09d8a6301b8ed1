import * as D from '../../../quantity/dimension.js'
import { COMPONENTS, type Dof } from '../../../analysis/dofs.js'
import { springs } from '../../../analysis/assemble.js'
import { evaluateFormula, minus, number, over, power, sum, times, type Formula } from '../../expression.js'
import { formula, index, type Context, type Kind, kinds } from './kind.js'
import { toMember, toNothing, toUnknowns } from './belongs.js'
import { turnLetter } from './stiffness.js'

/**
 * Forces that act on the structure at an unknown: the equivalent joint load, and the reaction where there is
 * one.
 */
function acting(c: Context, i: number, d: Dof): Formula[] {
  const hold = c.solution.dofs.supportAt.get(d.node)?.hold[d.component] ?? false
  const all = [c.letter('P', i + 1), ...(hold === false ? [] : [c.letter('R', i + 1)])]
  return all.filter((l) => l.value !== 0)
}

/** Their parts along global x and y, and their moment about the origin, as formulas. */
function resultant(c: Context, of: 'x' | 'y' | 'moment'): Formula {
  const terms = c.solution.dofs.list.flatMap((d, i): Formula[] => {
    const { id } = c.solution.structure.nodes[d.node]
    const turned = c.solution.dofs.angle[d.node] !== 0
    return acting(c, i, d).flatMap((f): Formula[] => {
      if (d.component === 'rotation') return of === 'moment' ? [f] : []
      const [cos, sin]: Formula[] = turned
        ? [c.letter('cos-turn', id), c.letter('sin-turn', id)]
        : [number(1), number(0)]
      const along =
        d.component === 'x'
          ? { x: times(cos, f), y: turned ? times(sin, f) : undefined }
          : { x: turned ? minus(times(sin, f)) : undefined, y: times(cos, f) }
      if (of !== 'moment') return along[of] ? [along[of]] : []
      const arm = (side: 'x' | 'y') => c.letter(side, id)
      return [
        ...(along.y && arm('x').value !== 0 ? [times(arm('x'), along.y)] : []),
        ...(along.x && arm('y').value !== 0 ? [minus(times(arm('y'), along.x))] : []),
      ]
    })
  })
  return sum(...terms)
}

const HALF = over(number(1), number(2))

/** What a sum that should vanish is worth, in SI: what it says itself. */
const worth = (c: Context, f: Formula, d: D.Dimension) => evaluateFormula(f).value / c.coherent(1, d)

/** Sums that must be 0, and the two sides of the balance of energy. */
export const CHECKS: Record<string, Kind> = {
  ...kinds(toNothing, {
    whole: (c, of) => {
      if (of !== 'x' && of !== 'y' && of !== 'moment') return undefined
      const dimension = of === 'moment' ? D.moment : D.force
      const f = resultant(c, of)
      return {
        symbol: of === 'moment' ? { letter: 'ΣM' } : { letter: 'ΣF', sub: of },
        si: worth(c, f, dimension),
        dimension,
        origin: formula(f, of === 'moment' ? 'About the origin, counter-clockwise.' : undefined),
      }
    },
  }),
  ...kinds(toUnknowns, {
    joint: (c, at) => {
      const i = index(at) - 1
      const d = c.solution.dofs.list[i]
      if (!d) return undefined
      const dimension = d.component === 'rotation' ? D.moment : D.force
      const members = c.solution.elements.flatMap((e, k): Formula[] => {
        const r = e.dofs.indexOf(i)
        const { id } = c.solution.structure.members[k]
        return r < 0
          ? []
          : [0, 1, 2, 3, 4, 5].flatMap((a): Formula[] =>
              e.T[6 * a + r] !== 0 && c.action.forces[6 * k + a] !== 0
                ? [times(turnLetter(c, id, a, r), c.letter('q', id, a + 1))]
                : [],
            )
      })
      const load = c.letter('joint-load', at)
      const held = (c.solution.dofs.supportAt.get(d.node)?.hold[d.component] ?? false) !== false
      const f = sum(
        ...members,
        ...(load.value === 0 ? [] : [minus(load)]),
        ...(held ? [minus(c.letter('R', at))] : []),
      )
      return {
        symbol: {
          ...(d.component === 'rotation' ? { letter: 'ΣM' } : { letter: 'ΣF', sub: d.component }),
          of: c.solution.structure.nodes[d.node].id,
        },
        si: worth(c, f, dimension),
        dimension,
        origin: formula(f),
      }
    },
  }),
  ...kinds(toNothing, {
    /** Half the work of all that acts on the joints, reactions of settling supports among it. */
    work: (c) => {
      const terms = c.solution.dofs.list.flatMap((d, i): Formula[] => {
        if (c.action.D[i] === 0) return []
        const held = !d.free ? [c.letter('R', i + 1)] : []
        return [c.letter('P', i + 1), ...held].flatMap((l) =>
          l.value === 0 ? [] : [times(l, c.letter('D', i + 1))],
        )
      })
      const f = times(HALF, sum(...terms))
      return { symbol: { letter: 'W' }, si: worth(c, f, D.moment), dimension: D.moment, origin: formula(f) }
    },
  }),
  ...kinds(toMember, {
    /** The energy of one member: half the work of its displacements on what its ends resist. */
    'energy-of': (c, id) => {
      const i = c.member(id)
      const m = c.solution.structure.members[i]
      if (!m) return undefined
      const terms = [1, 2, 3, 4, 5, 6].flatMap((r): Formula[] => {
        const [d, q, f] = [c.letter('d', id, r), c.letter('q', id, r), c.letter('fixed', id, r)]
        if (d.value === 0 || (q.value === 0 && f.value === 0) || (m.bar && r % 3 !== 1)) return []
        return [times(d, c.action.fixed.has(i) && f.value !== 0 ? sum(q, minus(f)) : q)]
      })
      const f = times(HALF, sum(...terms))
      return {
        symbol: { letter: 'U', of: id },
        si: worth(c, f, D.moment),
        dimension: D.moment,
        origin: formula(f),
      }
    },
  }),
  ...kinds(toNothing, {
    energy: (c) => {
      const terms: Formula[] = c.solution.structure.members.map((m) => c.letter('energy-of', m.id))
      for (const { dof } of springs(c.solution.dofs)) {
        const d = c.solution.dofs.list[dof]
        terms.push(
          over(
            times(
              c.letter('spring', c.solution.structure.nodes[d.node].id, COMPONENTS.indexOf(d.component)),
              power(c.letter('D', dof + 1), 2),
            ),
            number(2),
          ),
        )
      }
      const f = sum(...terms)
      return { symbol: { letter: 'U' }, si: worth(c, f, D.moment), dimension: D.moment, origin: formula(f) }
    },
  }),
}
