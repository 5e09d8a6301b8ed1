import { resolve } from '@viga/core'
import { solve as solveFirstOrder } from '../../core/src/analysis/solve.js'
import { solve } from '../../core/src/stability/second-order.js'
import { tower } from './tower.js'

/** Second order, critical factor included, in first-order solves of the same structure. */
console.log('second order with its critical factor, against first order of the same structure')
for (const [storeys, bays] of [
  [2, 2],
  [5, 9],
  [10, 47],
  [100, 50],
]) {
  const read = resolve({ ...tower(storeys, bays), analysis: { order: 2 } })
  if (!read.ok) throw new Error(read.errors[0].message)
  const { structure } = read
  // lighter loads: at a hundred storeys the frame would buckle under those of the other runs
  const light = { ...structure, cases: structure.cases.map((c) => ({ ...c, loads: c.loads.map(lighter) })) }
  const times = [0, 1, 2].map(() => {
    globalThis.gc?.()
    const from = performance.now()
    solveFirstOrder(light)
    const first = performance.now() - from
    const start = performance.now()
    const solved = solve(light)
    return { first, second: performance.now() - start, solved }
  })
  const best = (pick: (t: (typeof times)[number]) => number) => Math.min(...times.map(pick))
  const [first, second] = [best((t) => t.first), best((t) => t.second)]
  const { solved } = times[0]
  const said = solved.ok
    ? `factor ${solved.solution.cases[0].bent!.loadFactor!.toFixed(3)}, ` +
      `${solved.solution.cases[0].bent!.rounds.length} rounds`
    : solved.error.message
  console.log(
    `${String(structure.members.length).padStart(9)} members: ${first.toFixed(1)} ms, ` +
      `${second.toFixed(1)} ms ` +
      `(${(second / first).toFixed(1)} ×); ${said}`,
  )
}

function lighter(l: (typeof Object)['prototype']): never {
  const load = l as { fx?: number; fy?: number; points?: { at: number; q: number }[] }
  return {
    ...load,
    ...(load.fx === undefined ? {} : { fx: load.fx / 20, fy: load.fy! / 20 }),
    ...(load.points ? { points: load.points.map((p) => ({ ...p, q: p.q / 20 })) } : {}),
  } as never
}
