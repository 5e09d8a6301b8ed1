import { siPerCoherent } from '../../quantity/units.js'
import * as D from '../../quantity/dimension.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'
import { COMPONENTS } from '../../analysis/dofs.js'
import { reactionAt } from '../../results/at-node.js'
import type { Ledger } from '../ledger.js'
import type { FoundValue, Method, NamedValue } from '../method.js'
import { ledger, type StiffnessBook } from './book.js'
import { OUTLINE } from './outline.js'
import type { Context } from './origins/kind.js'

const contextOf = (book: Ledger): Context => (book as StiffnessBook).context

/** Every free displacement and every reaction. */
function values(book: Ledger): FoundValue[] {
  const c = contextOf(book)
  const { solution, units } = c
  // in second order the results are those on the bent shape
  const acting = c.bent ?? c.action
  const { structure: s, dofs } = solution
  const displacements = s.nodes.flatMap(({ id }, n) =>
    COMPONENTS.flatMap((component, k): FoundValue[] => {
      const dof = dofs.of[3 * n + k]
      if (dof < 0 || !dofs.list[dof].free) return []
      const d = component === 'rotation' ? D.angle : D.length
      const value = book.context.coherent(displacementOf(solution, acting, n, k), d)
      return [{ quantity: 'displacement', node: id, component, value }]
    }),
  )
  const reactions = s.supports.flatMap((support) => {
    const { id } = s.nodes[support.node]
    const global = reactionAt(solution, acting, support.node)
    return COMPONENTS.flatMap((component): FoundValue[] => {
      if (support.hold[component] === false && (component === 'rotation' || support.angle === 0)) return []
      const si = global[component]
      if (si === null || Number.isNaN(si)) return []
      const d = component === 'rotation' ? D.moment : D.force
      return [{ quantity: 'reaction', node: id, component, value: si / siPerCoherent(units, d) }]
    })
  })
  return [...displacements, ...reactions]
}

/** The displacement of a joint along a global axis: unknowns of a turned support are along its own axes. */
function displacementOf({ dofs }: Solution, action: ActionSolution, node: number, component: number): number {
  const at = (k: number) => (dofs.of[3 * node + k] < 0 ? 0 : action.D[dofs.of[3 * node + k]])
  const angle = dofs.angle[node]
  if (component === 2 || angle === 0) return at(component)
  return component === 0
    ? Math.cos(angle) * at(0) - Math.sin(angle) * at(1)
    : Math.sin(angle) * at(0) + Math.cos(angle) * at(1)
}

/** The fixed-end moments of loaded members, as they are before any release, and the rotations of joints. */
function named(book: Ledger): NamedValue[] {
  const { solution, action, coherent } = contextOf(book)
  const { structure: s, dofs } = solution
  const moments = s.members.flatMap((m, i) => {
    const f = action.fixedOwn.get(i)
    return f && !m.bar
      ? (['start', 'end'] as const).map((end, k): NamedValue => ({
          name: 'fixed-end-moment',
          member: m.id,
          end,
          value: coherent(f[3 * k + 2], D.moment),
        }))
      : []
  })
  const rotations = s.nodes.flatMap(({ id }, n): NamedValue[] => {
    const dof = dofs.of[3 * n + 2]
    return dof < 0 || !dofs.list[dof].free ? [] : [{ name: 'rotation', node: id, value: action.D[dof] }]
  })
  return [...moments, ...rotations]
}

/** The direct stiffness method. It fits every problem that can be solved. */
export const STIFFNESS_METHOD: Method = {
  ...OUTLINE,
  fits: () => ({ fits: true }),
  open: ({ problem, solved }) => {
    const { solution, action } = solved()
    return ledger(solution, problem.units, action, problem)
  },
  values,
  named,
}
