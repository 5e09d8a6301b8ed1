import { memberField, resolve, type Problem } from '@viga/core'
import { solve } from '../../core/src/analysis/solve.js'

/** A rectangular frame of so many storeys and bays, fixed at its feet, loaded on every beam and pushed at every floor. */
export function tower(storeys: number, bays: number): Problem {
  const nodes = []
  const members = []
  const loads = []
  const id = (i: number, j: number) => `${j}.${i}`
  for (let j = 0; j <= storeys; j++) for (let i = 0; i <= bays; i++) nodes.push({ id: id(i, j), x: 6 * i, y: 3.5 * j })
  for (let j = 1; j <= storeys; j++) {
    for (let i = 0; i <= bays; i++) members.push({ id: `c${id(i, j)}`, start: id(i, j - 1), end: id(i, j), material: 'steel', section: 'column' })
    for (let i = 0; i < bays; i++) {
      members.push({ id: `b${id(i, j)}`, start: id(i, j), end: id(i + 1, j), material: 'steel', section: 'beam' })
      loads.push({ type: 'distributed' as const, member: `b${id(i, j)}`, direction: 'Y' as const, q: -20 })
    }
    loads.push({ type: 'nodal' as const, node: id(0, j), fx: 15 })
  }
  return {
    format: 'viga-problem',
    version: 1,
    title: 'bench',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    materials: [{ id: 'steel', E: '200 GPa' }],
    sections: [
      { id: 'column', A: '150 cm^2', I: '25000 cm^4' },
      { id: 'beam', A: '84 cm^2', I: '23000 cm^4' },
    ],
    nodes,
    members,
    supports: Array.from({ length: bays + 1 }, (_, i) => ({ node: id(i, 0), type: 'fixed' as const })),
    loadCases: [{ id: '1', loads }],
  }
}

const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]

console.log('solver: assembled, factorised, recovered; median of the runs')
console.log('  members  unknowns      read      solve    fields   memory')
for (const [storeys, bays] of [[2, 2], [5, 9], [10, 47], [33, 45], [100, 50]]) {
  const problem = tower(storeys, bays)
  const runs = problem.members.length > 2000 ? 5 : 25
  const times: [number, number, number][] = []
  let unknowns = 0
  let memory = 0
  for (let k = 0; k < runs; k++) {
    globalThis.gc?.()
    const t0 = performance.now()
    const resolved = resolve(problem)
    if (!resolved.ok) throw new Error(resolved.errors[0].message)
    const t1 = performance.now()
    const result = solve(resolved.structure)
    const t2 = performance.now()
    if (!result.ok) throw new Error(result.error.message)
    result.solution.structure.members.forEach((_, i) => memberField(result.solution, result.solution.cases[0], i))
    times.push([t1 - t0, t2 - t1, performance.now() - t2])
    unknowns = result.solution.dofs.free
    memory = process.memoryUsage().rss / 1e6
  }
  const col = (i: number) => `${median(times.map((t) => t[i])).toFixed(2)} ms`.padStart(10)
  console.log(`  ${String(problem.members.length).padStart(7)}  ${String(unknowns).padStart(8)}${col(0)} ${col(1)}${col(2)}  ${memory.toFixed(0)} MB`)
}
