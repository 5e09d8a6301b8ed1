import { balance } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { bodyOf } from '../../app/sheet/free-body-of'
import { demo, solved } from '../demo'

const [, palm] = demo.find(([f]) => f.includes('palm-house'))!
const solution = solved(palm)
const [action] = solution.cases
const { nodes, members } = solution.structure
const body = (choice: Parameters<typeof bodyOf>[2]) => bodyOf(solution, action, choice)
const largest = Math.max(...action.forces.map(Math.abs))

describe('a free body', () => {
  it.each([
    ['the whole structure', { kind: 'whole' as const }],
    [`joint ${nodes[1].id}`, { kind: 'joint' as const, id: nodes[1].id }],
    [`member ${members[0].id}`, { kind: 'member' as const, id: members[0].id }],
  ])('%s is in equilibrium', (name, choice) => {
    const found = body(choice)
    if (!found.ok) throw new Error(found.message)
    expect(found.name).toBe(name)
    const sums = balance(found.forces, { x: 1, y: 2 })
    for (const v of [sums.fx, sums.fy, sums.m / 10]) expect(Math.abs(v)).toBeLessThan(1e-8 * largest)
  })

  it('of a section has two faces with opposite forces', () => {
    const found = body({ kind: 'section', id: members[0].id, x: members[0].length / 3 })
    if (!found.ok || !found.other) throw new Error('two faces')
    const [left, right] = [found.forces, found.other].map((f) =>
      f.filter((b) => b.internal && b.kind === 'cut'),
    )
    const faces = left.flatMap((l) =>
      right.filter((r) => Math.hypot(l.x - r.x, l.y - r.y) < 1e-9).map((r) => [l, r]),
    )
    expect(faces.length).toBeGreaterThan(0)
    for (const [l, r] of faces) {
      expect(Math.abs(l.fx + r.fx)).toBeLessThan(1e-8 * largest)
      expect(Math.abs(l.fy + r.fy)).toBeLessThan(1e-8 * largest)
      expect(Math.abs(l.m + r.m)).toBeLessThan(1e-7 * largest)
    }
  })

  it('of a section beyond the end is that at the end', () => {
    const found = body({ kind: 'section', id: members[0].id, x: 1e6 })
    expect(found.ok).toBe(true)
  })

  it('of a cut says on which side of it the part lies', () => {
    const xs = nodes.map((n) => n.x)
    const x = Math.min(...xs) + 0.46 * (Math.max(...xs) - Math.min(...xs))
    const cut = { kind: 'cut' as const, a: { x, y: 100 }, b: { x, y: -100 } }
    const parts = (['left', 'right'] as const).map((side) => body({ ...cut, side }))
    const names = parts.map((p) => (p.ok ? p.name : ''))
    expect(names.sort()).toEqual(['the part left of the cut', 'the part right of the cut'])
    for (const p of parts) {
      if (!p.ok) throw new Error(p.message)
      const sums = balance(p.forces, { x: 0, y: 0 })
      expect(Math.abs(sums.fx) + Math.abs(sums.fy)).toBeLessThan(1e-7 * largest)
    }
  })

  it('of what is gone says so', () => {
    expect(body({ kind: 'joint', id: 'nobody' })).toEqual({
      ok: false,
      message: 'nobody is no longer there.',
    })
    expect(body({ kind: 'member', id: 'nothing' })).toMatchObject({ ok: false })
  })
})
