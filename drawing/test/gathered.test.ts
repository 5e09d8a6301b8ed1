import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gathered } from '../src/gathered'
import { circle, line, vec, type Group, type Mark, type PathMark } from '../src/marks'

const fill: Mark = { t: 'path', d: 'M0 0L1 1Z', fill: 'cedar', opacity: 0.07 }
const edge = (x: number): Mark => line(vec(x, 0), vec(x, 9), 'ink', 1.35)
const thin = (x: number): Mark => line(vec(x, 0), vec(x, 9), 'ink', 0.6)
const group = (key: string, marks: Mark[], more: Partial<Group> = {}): Group => ({ key, marks, ...more })

describe('a drawing gathered into few paths', () => {
  it('draws members in one look as one path', () => {
    const all = gathered([group('m0', [edge(1)]), group('m1', [edge(2)]), group('m2', [edge(3)])])
    expect(all).toHaveLength(1)
    expect(all[0].paths).toHaveLength(1)
    expect(all[0].paths[0]).toMatchObject({ d: 'M1 0L1 9M2 0L2 9M3 0L3 9', stroke: 'ink', width: 1.35 })
  })

  it('draws diagrams look by look, also where some have no light strokes', () => {
    const all = gathered([
      group('d0', [fill, edge(1)], { diagram: true }),
      group('d1', [fill, thin(2), thin(3), edge(4)], { diagram: true }),
      group('m0', [edge(5)]),
    ])
    expect(all.map((b) => b.diagram)).toEqual([true, false])
    expect(all[0].paths.map((p) => [p.fill, p.width])).toEqual([
      ['cedar', undefined],
      [undefined, 0.6],
      // no outline of a diagram is wider than a pixel: the members are drawn as they are
      [undefined, 1],
    ])
    expect(all[1].paths.map((p) => p.width)).toEqual([1.35])
    expect(all[0].groups.map((g) => g.key)).toEqual(['d0', 'd1'])
  })

  it('leaves words, what swings, and a look that comes back over another by themselves', () => {
    const word: Mark = { t: 'text', x: 0, y: 0, text: 'A', size: 12, fill: 'ink' }
    const swings: Mark = { ...(edge(1) as PathMark), rest: 'M0 0' }
    for (const marks of [[word], [swings], [edge(1), thin(2), edge(3)]]) {
      const all = gathered([group('a', [edge(0)]), group('b', marks), group('c', [edge(0)])])
      expect(all.map((b) => b.paths.length)).toEqual([1, 0, 1])
      expect(all[1].groups[0].marks).toBe(marks)
    }
  })

  it('keeps every mark once, and the order of looks that cover one another', () => {
    const mark = fc.constantFrom<Mark>(fill, edge(1), thin(2), circle(vec(5, 5), 3, { fill: 'paper' }))
    const marks = fc.array(mark, { minLength: 1, maxLength: 4 })
    fc.assert(
      fc.property(fc.array(marks, { maxLength: 12 }), (all) => {
        const groups = all.map((m, i) => group(`g${i}`, m))
        const bundles = gathered(groups)
        expect(bundles.flatMap((b) => b.groups)).toEqual(groups)
        for (const b of bundles) {
          if (b.paths.length === 0) continue
          const drawn = b.paths.map((p) => p.d).join('')
          const asked = b.groups.flatMap((g) => g.marks.map((m) => (m as PathMark).d)).join('')
          expect([...drawn].sort().join('')).toBe([...asked].sort().join(''))
          // within a group no mark changes places with another
          for (const g of b.groups) {
            const at = g.marks.map((m) =>
              b.paths.findIndex((p) => p.width === (m as PathMark).width && p.fill === (m as PathMark).fill),
            )
            expect(at).toEqual([...at].sort((x, y) => x - y))
          }
        }
      }),
    )
  })
})
