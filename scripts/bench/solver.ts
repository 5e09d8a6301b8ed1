import { courseOf, resolve } from '@viga/core'
import { LuDecomposition, Matrix } from 'ml-matrix'
import { assembleFree } from '../../core/src/analysis/assemble.js'
import { factor } from '../../core/src/analysis/factor.js'
import { solve, type Solution } from '../../core/src/analysis/solve.js'
import { prepare } from '../../core/src/analysis/system.js'
import { caseActions } from '../../core/src/structure/case-actions.js'
import type { SparseSymmetric } from '../../core/src/analysis/sparse.js'
import { tower } from './tower.js'

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]

function time<T>(work: () => T): { ms: number; value: T } {
  const from = performance.now()
  const value = work()
  return { ms: performance.now() - from, value }
}

/** Beyond this many unknowns a dense factorisation takes minutes. */
const DENSE_LIMIT = 2000

function denseOf({ n, count, row, column, value }: SparseSymmetric): Matrix {
  const A = Matrix.zeros(n, n)
  for (let e = 0; e < count; e++) {
    A.set(row[e], column[e], A.get(row[e], column[e]) + value[e])
    if (row[e] !== column[e]) A.set(column[e], row[e], A.get(row[e], column[e]))
  }
  return A
}

function once(problem: ReturnType<typeof tower>) {
  const read = time(() => resolve(problem))
  if (!read.value.ok) throw new Error(read.value.errors[0].message)
  const { structure } = read.value
  const solved = time(() => solve(structure))
  if (!solved.value.ok) throw new Error(solved.value.error.message)
  const { solution } = solved.value
  const fields = time(() => structure.members.forEach((_, i) => courseOf(solution, solution.cases[0], i)))
  return { solution, ms: [read.ms, solved.ms, fields.ms] }
}

/** The factorisation alone, ordering included, and the same matrix by dense LU where that is bearable. */
function factorisation({ structure, dofs, elements }: Solution, runs: number) {
  const K = assembleFree(structure, dofs, elements)
  const times = Array.from({ length: runs }, () => time(() => factor(K)))
  const dense = K.n <= DENSE_LIMIT ? time(() => new LuDecomposition(denseOf(K))).ms : undefined
  return { ms: median(times.map((t) => t.ms)), entries: times[0].value.entries, dense }
}

console.log(
  'solver: read, then assembled, factorised and recovered; medians. Dense: the same K_ff by LU of ml-matrix',
)
console.log(
  '  members  unknowns       read      solve     factor     fields  entries of L      dense   memory',
)
for (const [storeys, bays] of [
  [2, 1],
  [2, 2],
  [5, 9],
  [10, 47],
  [33, 45],
  [100, 50],
]) {
  const problem = tower(storeys, bays)
  const runs = problem.members.length > 2000 ? 9 : 25
  const times: number[][] = []
  let last = once(problem)
  for (let k = 0; k < runs; k++) {
    globalThis.gc?.()
    last = once(problem)
    times.push(last.ms)
  }
  const memory = process.memoryUsage().rss / 1e6
  const { solution } = last
  const f = factorisation(solution, runs)
  const ms = (v: number) => `${v.toFixed(2)} ms`.padStart(11)
  const col = (i: number) => ms(median(times.map((t) => t[i])))
  const dense =
    f.dense === undefined ? 'too big'.padStart(11) : `${(f.dense / f.ms).toFixed(1)} ×`.padStart(11)
  const size = `${String(problem.members.length).padStart(9)}${String(solution.dofs.free).padStart(10)}`
  console.log(
    `${size}${col(0)}${col(1)}${ms(f.ms)}${col(2)}${String(f.entries).padStart(14)}${dense}   ` +
      `${memory.toFixed(0)} MB`,
  )
}

/** The same structure under many loads: prepared once and solved for each, against a whole solve for each. */
const LOADS = 200
const ROUNDS = 5
for (const [storeys, bays] of [
  [5, 9],
  [33, 45],
]) {
  const read = resolve(tower(storeys, bays))
  if (!read.ok) throw new Error(read.errors[0].message)
  const { structure } = read
  const one = { ...structure, cases: structure.cases.slice(0, 1), combinations: [] }
  const actions = caseActions(one, 0)
  const prepared = prepare(one)
  if (!prepared.ok) throw new Error(prepared.error.message)
  const { system } = prepared
  globalThis.gc?.()
  // the two alternate, so that other load on the machine affects both alike
  const rounds = Array.from({ length: ROUNDS }, (_, round) => {
    const kept = time(() => {
      for (let k = 0; k < LOADS / ROUNDS; k++) {
        actions.nodal[3] = round + k
        system.solve(actions)
      }
    })
    const anew = time(() => {
      for (let k = 0; k < LOADS / ROUNDS; k++) solve(one)
    })
    return { kept: kept.ms, anew: anew.ms }
  })
  const total = (pick: 'kept' | 'anew') => rounds.reduce((sum, round) => sum + round[pick], 0)
  const ratio = median(rounds.map(({ kept, anew }) => anew / kept))
  console.log(
    `${LOADS} loads on ${structure.members.length} members: ${total('kept').toFixed(0)} ms with one ` +
      `factorisation, ${total('anew').toFixed(0)} ms solved anew (${ratio.toFixed(1)} ×)`,
  )
}
