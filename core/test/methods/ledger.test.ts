import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { work, working, type ActionSolution, type Problem, type Solution } from '../../src/index.js'
const { addressOf, evaluateFormula, ledger, letters, stepsOf } = working

/** Every address that the steps of a working show. */
function shown(book: working.Ledger): string[] {
  return stepsOf(book).flatMap((s) =>
    s.passages.flatMap((p) =>
      p.blocks.flatMap((b) => {
        switch (b.kind) {
          case 'lines':
            return b.addresses
          case 'polynomial':
            return b.coefficients
          case 'matrix':
            return b.rows.flatMap((_, i) =>
              b.columns.flatMap((_, j) => [b.at(i, j), ...(b.lettersAt ? [b.lettersAt(i, j)] : [])]),
            )
          case 'table':
            return b.rows.flatMap((r) => r.flatMap((c) => (typeof c === 'object' && 'at' in c ? [c.at] : [])))
          case 'drawing':
            return b.forces.map((f) => f.at)
          case 'chart':
            return b.roots.map((r) => r.at)
          case 'equation':
          case 'words':
          case 'body':
          case 'polygon':
            return []
        }
      }),
    ),
  )
}

/** Every address of a working, kind by kind. */
function* addresses(solution: Solution, action: ActionSolution): Generator<string> {
  const { structure, dofs, elements } = solution
  const six = [1, 2, 3, 4, 5, 6]
  for (const [i, m] of structure.members.entries()) {
    for (const kind of ['dx', 'dy', 'L', 'c', 's', 'E', 'A', 'I', 'EA', 'EI']) yield addressOf(kind, m.id)
    for (const r of six) {
      for (const k of six) {
        for (const kind of ['T', 'own', 'k', 'global']) yield addressOf(kind, m.id, r, k)
        for (let step = 1; step < elements[i].released.length; step++)
          yield addressOf('part', m.id, step, r, k)
      }
      for (const kind of ['fixed-own', 'fixed', 'fixed-global', 'd', 'q']) yield addressOf(kind, m.id, r)
    }
    const { stretches } = working.courseIn(ledger(solution, { length: 'm', force: 'kN' }, action).context, i)
    for (const s of stretches.keys())
      for (const f of ['N', 'V', 'M']) for (const p of [0, 1, 2, 3]) yield addressOf('diagram', m.id, s, f, p)
  }
  const near = structure.members.length > 40 ? 12 : dofs.list.length
  for (let i = 1; i <= dofs.list.length; i++) {
    for (let j = 1; j <= Math.min(near, dofs.list.length); j++) yield addressOf('K', i, j)
    for (const kind of ['joint-load', 'P', 'P-free', 'D', 'R']) yield addressOf(kind, i)
  }
  if (dofs.free <= working.BY_HAND)
    for (let i = 1; i <= dofs.free; i++) {
      for (const kind of ['ldl-d', 'ldl-z', 'ldl-y', 'ldl-x']) yield addressOf(kind, i)
      for (let j = 1; j <= dofs.free; j++) yield addressOf('ldl-l', i, j)
    }
  if (dofs.free <= working.BY_HAND)
    for (let s = 1; s < dofs.free; s++)
      for (let i = 1; i <= dofs.free; i++)
        for (let j = 1; j <= dofs.free + 1; j++) yield addressOf('row', s, i, j)
}

const folder = join(import.meta.dirname, '../cases')
const problems = readdirSync(folder)
  .filter((f) => f.endsWith('.viga.json'))
  .map((f): [string, Problem] => [f, JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem])
  // second order is refused by name, and has no working
  .filter(([, p]) => p.analysis?.order !== 2)
  // the same with other wishes of the reader: numbers by joint, L·D·Lᵀ, beams without their axial unknowns
  .flatMap(([f, p]): [string, Problem][] =>
    /orchid|lily|alpine/.test(f)
      ? [
          [f, p],
          [
            `${f}, read otherwise`,
            { ...p, view: { ...p.view, numbering: 'by-joint', byHand: 'ldl', bendingOnly: true } },
          ],
        ]
      : [[f, p]],
  )
  // and with a factor taken out of the stiffnesses
  .flatMap(([f, p]): [string, Problem][] => [
    [f, p],
    ...(['own', 'common'] as const).map((factor): [string, Problem] => [
      `${f}, ${factor} factor taken out`,
      { ...p, view: { ...p.view, reading: { factor } } },
    ]),
  ])

describe.each(problems)('the working of %s', (_, problem) => {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a first-order reference problem is solved')
  const { solution } = outcome

  it('re-derives each of its numbers from the formula and the numbers it shows', () => {
    let formulas = 0
    // a factor taken out changes how a stiffness is printed, whatever the loads
    const actions = [...solution.cases, ...solution.combinations]
    for (const action of problem.view?.reading ? actions.slice(0, 1) : actions) {
      const book = ledger(solution, problem.units, action, problem)
      const seen = new Set<string>()
      // what differs by rounding from 0 is measured against the largest of its kind
      const most = new Map<string, number>()
      const kindOf = (address: string, unit: string) =>
        `${address.replace(/^case\/[^/]+\//, '').split('/')[0]} ${unit}`
      for (const address of addresses(solution, action)) {
        const e = book.entry(address)
        if (e)
          most.set(
            kindOf(address, e.unit),
            Math.max(Math.abs(e.value) || 0, most.get(kindOf(address, e.unit)) ?? 0),
          )
      }
      const check = (address: string) => {
        if (seen.has(address) || !book.entry(address)) return
        seen.add(address)
        const { value, unit, origin } = book.origin(address)
        if (origin.kind !== 'formula') return void expect(origin.words).toMatch(/\.$/)
        formulas++
        const shown = evaluateFormula(origin.formula)
        if (Number.isNaN(value)) return
        expect(
          Math.abs(shown.value - value),
          `${address}: ${value} is shown as ${shown.value}`,
        ).toBeLessThanOrEqual(
          1e-9 * Math.max(shown.size, Math.abs(value)) + 1e-12 * (most.get(kindOf(address, unit)) ?? 0),
        )
        for (const l of letters(origin.formula)) {
          expect(book.entry(l.address)?.value, l.address).toBe(l.value)
          check(l.address)
        }
      }
      for (const address of addresses(solution, action)) check(address)
      for (const address of shown(book)) {
        expect(book.entry(address), address).toBeDefined()
        check(address)
      }
    }
    expect(formulas).toBeGreaterThan(50)
  })

  it('balances: the whole, each joint, and the energy', () => {
    for (const action of solution.cases) {
      const book = ledger(solution, problem.units, action, problem)
      const checks = stepsOf(book).find((s) => s.key === 'checks')!
      const lines = checks.passages.flatMap((p) =>
        p.blocks.flatMap((b) => (b.kind === 'lines' ? b.addresses : [])),
      )
      for (const address of lines.filter((a) => /^(whole|joint)/.test(a))) {
        const { value, origin } = book.origin(address)
        expect(Math.abs(value), address).toBeLessThanOrEqual(
          1e-8 * (origin.kind === 'formula' ? evaluateFormula(origin.formula).size : 1) + 1e-9,
        )
      }
      if (!lines.includes('work')) continue
      const [work, energy] = [book.entry('work')!.value, book.entry('energy')!.value]
      expect(Math.abs(work - energy)).toBeLessThanOrEqual(
        1e-8 * Math.max(Math.abs(work), Math.abs(energy)) + 1e-12,
      )
    }
  })
})
