import { describe, expect, it } from 'vitest'
import { working, type Problem } from '@viga/core'
import { hasChanged } from '../../app/working/working-view'
import { bookOf, demo } from '../demo'

describe('what a number of the working belongs to on the Figure', () => {
  it.each(
    demo.flatMap(([f, p]) =>
      (['none', 'own', 'common'] as const).map((factor): [string, Problem] => [
        `${f}, ${factor} factor`,
        { ...p, view: { ...p.view, reading: { factor } } },
      ]),
    ),
  )('%s: is there, for every number shown', (_, problem) => {
    const workingView = bookOf(problem)
    const { structure, dofs } = workingView.context.solution
    const there = new Set([
      ...structure.members.map((m) => `member:${m.id}`),
      ...structure.nodes.map((n) => `node:${n.id}`),
      ...dofs.list.map((__, i) => `dof:${i}`),
      ...structure.cases.flatMap((c) => c.loads.map((__, i) => `load:${c.id}:${i}`)),
    ])
    let found = 0
    const look = (address: string) => {
      for (const t of workingView.belongs(address)) {
        found++
        expect(there.has(t), `${address} at ${t}`).toBe(true)
      }
    }
    for (const s of working.stepsOf(workingView))
      for (const p of s.passages)
        for (const b of p.blocks) {
          const addresses = working.addressesOf(b)
          addresses.forEach(look)
          // and for what their formulas are made of
          for (const a of addresses.slice(0, 40)) {
            const { origin } = workingView.origin(a)
            if (origin.kind === 'formula') working.letters(origin.formula).forEach((l) => look(l.address))
          }
        }
    expect(found).toBeGreaterThan(100)
  })
  it('of a symbol is every member that is stated by it', () => {
    const workingView = bookOf(demo.find(([f]) => f.includes('orchid'))![1])
    expect(workingView.belongs('symbol/EI')).toEqual(['member:AC', 'member:CB'])
    expect(workingView.belongs('per-own/CB/k/CB/2/3')).toEqual(['member:CB'])
    expect(workingView.belongs('per-common/K/1/2')).toEqual(['dof:0', 'dof:1'])
    expect(workingView.belongs('case/G/q/CB/2')).toEqual(['member:CB'])
  })
})

describe('numbers after an edit', () => {
  const problem = demo.find(([f]) => f.includes('orchid'))![1]
  const before = bookOf(problem)
  const doubled = bookOf({
    ...problem,
    loadCases: problem.loadCases!.map((c) => ({
      ...c,
      loads: c.loads.map((l) =>
        l.type === 'nodal' && typeof l.m === 'number'
          ? { ...l, m: 2 * l.m }
          : l.type === 'nodal'
            ? { ...l, m: `2*(${String(l.m)})` }
            : l,
      ),
    })),
  })
  it('are marked where they changed: forces and displacements, but no stiffness', () => {
    expect(hasChanged('D/2', doubled, before)).toBe(true)
    expect(hasChanged('q/CB/2', doubled, before)).toBe(true)
    expect(hasChanged('K/2/2', doubled, before)).toBe(false)
    expect(hasChanged('K/2/2', doubled, undefined)).toBe(false)
    expect(hasChanged('no/such/number', doubled, before)).toBe(false)
  })
  it('are written 0 only where they are rounding against others', () => {
    expect(working.shown(3e-13, { figures: 5 }, 1)).toBe('0')
    expect(working.shown(3e-13, { figures: 5 })).not.toBe('0')
  })
})
