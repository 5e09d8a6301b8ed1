import { springs, stiffnessRows } from '../../../analysis/assemble.js'
import { COMPONENTS } from '../../../analysis/dofs.js'
import type { Solution } from '../../../analysis/solve.js'
import { minus, over, sum, times, type Formula } from '../../expression.js'
import type { Context } from './kind.js'

const member = (c: Context, id: string) => c.solution.structure.members[c.member(id)]

/**
 * The stiffness of a member with its released ends condensed out one after another, each as k′ᵢⱼ = kᵢⱼ −
 * kᵢᵣ·kᵣⱼ / (kᵣᵣ + s), with s the spring at the end, 0 where it is free. Source: static condensation,
 * Kassimali, Matrix Analysis of Structures, §7.1; a matrix for each step, own stiffness first.
 */
export function condensation(solution: Solution, i: number): Float64Array[] {
  const { own, released } = solution.elements[i]
  const { releases } = solution.structure.members[i]
  const steps = [own]
  for (const r of released) {
    const k = steps[steps.length - 1]
    const spring = releases[r]
    const pivot = k[7 * r] + (typeof spring === 'number' ? spring : 0)
    steps.push(
      Float64Array.from(k, (v, at) => v - (k[6 * Math.floor(at / 6) + r] * k[6 * r + (at % 6)]) / pivot),
    )
  }
  return steps
}

/**
 * A letter for an entry of the stiffness after so many condensations: the own one before any, k after the
 * last.
 */
function afterSteps(c: Context, id: string, step: number, i: number, j: number): Formula {
  const { released } = c.solution.elements[c.member(id)]
  return step === released.length
    ? c.letter('k', id, i + 1, j + 1)
    : step === 0
      ? c.letter('own', id, i + 1, j + 1)
      : c.letter('part', id, step, i + 1, j + 1)
}

export function condensedEntry(c: Context, id: string, step: number, i: number, j: number): Formula {
  const { released } = c.solution.elements[c.member(id)]
  const r = released[step - 1]
  const k = (a: number, b: number) => afterSteps(c, id, step - 1, a, b)
  const spring = typeof member(c, id).releases[r] === 'number'
  return sum(
    k(i, j),
    minus(over(times(k(i, r), k(r, j)), spring ? sum(k(r, r), c.letter('end-spring', id, r)) : k(r, r))),
  )
}

/** The rows of the structure's K by degree of freedom, SI; found once for a solution. */
const whole = new WeakMap<Solution, Map<number, number>[]>()
export function structureRows(solution: Solution): Map<number, number>[] {
  let K = whole.get(solution)
  if (!K) whole.set(solution, (K = stiffnessRows(solution.dofs, solution.elements)))
  return K
}

/** Members and springs that meet at an entry of K. */
export function sharers(
  solution: Solution,
  row: number,
  column: number,
): {
  members: { index: number; r: number; c: number }[]
  spring: { node: number; component: number } | undefined
} {
  const members = solution.elements.flatMap((e, i) => {
    const [r, k] = [e.dofs.indexOf(row), e.dofs.indexOf(column)]
    return r >= 0 && k >= 0 ? [{ index: i, r, c: k }] : []
  })
  const d = solution.dofs.list[row]
  const sprung = row === column && springs(solution.dofs).some((s) => s.dof === row)
  return {
    members,
    spring: sprung ? { node: d.node, component: COMPONENTS.indexOf(d.component) } : undefined,
  }
}
