import { describe, expect, it } from 'vitest'
import { displayOf, edit, type Problem } from '@viga/core'
import { joinedByLook, sameGroup, sameMark, textWidth, type Group, type PathMark } from '../src/marks'
import { drawScene } from '../src/scene'
import { FIGURE_INSETS, fit } from '../src/view'
import { drawnLoads } from '../src/words'
import { demo, solved } from '../../web/test/demo'

const path: PathMark = { t: 'path', d: 'M0 0L1 1', stroke: 'ink', width: 1 }
const group: Group = {
  key: 'm',
  target: 'member:AB',
  marks: [path, { t: 'text', x: 1, y: 2, text: '3 kN', size: 13, fill: 'load' }],
  hit: { d: 'M0 0L1 1', width: 9 },
}

/** The groups of a problem's Figure with its loads. */
function drawn(problem: Problem): Map<string, Group> {
  const { structure, cases } = solved(problem)
  const display = displayOf(problem)
  const scene = drawScene({
    structure,
    view: fit(structure.nodes, 704, 664, FIGURE_INSETS),
    layers: {
      loads: true,
      dimensions: true,
      supports: true,
      unknowns: false,
      reactions: false,
      names: true,
      diagram: null,
      deflected: false,
    },
    loads: drawnLoads(structure, new Set([cases[0].id]), display),
    display,
    enlarge: 0,
  })
  return new Map(scene.groups.map((g) => [g.key, g]))
}

describe('what is drawn as it was', () => {
  it('is told from any change of a mark, of a group, or of where pointing counts', () => {
    expect(sameGroup(group, structuredClone(group))).toBe(true)
    for (const change of [{ d: 'M0 0L1 2' }, { stroke: 'load' as const }, { width: 2 }, { dash: '2 2' }])
      expect([sameMark(path, { ...path, ...change }), sameMark({ ...path, ...change }, path)]).toEqual([
        false,
        false,
      ])
    for (const change of [
      { target: 'member:BC' },
      { marks: [path] },
      { hit: undefined },
      { hit: { d: 'M0 0L1 1', width: 5 } },
    ])
      expect(sameGroup(group, { ...group, ...change })).toBe(false)
  })
  it.each(demo)('%s: the same problem drawn twice is the same throughout', (_, problem) => {
    const [a, b] = [drawn(problem), drawn(problem)]
    expect([...a.keys()]).toEqual([...b.keys()])
    for (const [key, g] of a) expect(sameGroup(g, b.get(key)!), key).toBe(true)
  })
  it.each(
    demo.filter(([, p]) => p.loadCases![0].loads.some((l) => l.type === 'nodal' || l.type === 'distributed')),
  )('%s: without its first load the members and supports are left alone', (_, problem) => {
    const [a, b] = [drawn(problem), drawn(edit.removeLoad(problem, problem.loadCases![0].id, 0))]
    for (const [key, g] of a)
      if (/^(member|support):/.test(g.target ?? '') && b.has(key))
        expect(sameGroup(g, b.get(key)!), key).toBe(true)
    expect(
      [...a.values()]
        .filter((g) => g.target?.startsWith('load:'))
        .every((g) => sameGroup(g, b.get(g.key) ?? { ...g, marks: [] })),
    ).toBe(false)
  })
})

describe('strokes joined by their looks', () => {
  const head: PathMark = { t: 'path', d: 'M1 1L2 2Z', fill: 'load' }

  it('are one path for each look, with all that the single ones drew', () => {
    const again = (m: PathMark, by: number): PathMark => ({ ...m, d: m.d.replaceAll('1', String(by)) })
    const joined = joinedByLook([path, head, again(path, 5), again(head, 5), { ...path, dash: '2 2' }])
    expect(joined).toEqual([
      { ...path, d: 'M0 0L1 1M0 0L5 5' },
      { ...head, d: 'M1 1L2 2ZM5 5L2 2Z' },
      { ...path, dash: '2 2' },
    ])
    expect(joinedByLook([])).toEqual([])
  })

  it.each(demo)(
    '%s: a row of arrows is an outline, shafts, heads, and edges where it has any',
    (_, problem) => {
      const { structure } = solved(problem)
      for (const [key, g] of drawn(problem))
        if (key.startsWith('load:') && g.hit && structure.members.length < 40) {
          const looks = g.marks.map((m) => (m.t === 'path' ? [m.stroke, m.fill, m.dash].join() : ''))
          expect(looks.length, key).toBeLessThanOrEqual(7)
        }
    },
  )
})

describe('the width of words', () => {
  it('is the sum of its characters’, of any script, and grows with the type', () => {
    expect(textWidth('12.5 kN', 10)).toBeCloseTo(3 * 6.2 + 2 * 3.2 + 5.4 + 6.2)
    expect(textWidth('ω·σ', 10)).toBeCloseTo(5.4 + 3.2 + 5.4)
    expect(textWidth('abc', 20)).toBeCloseTo(2 * textWidth('abc', 10))
    expect(textWidth('', 10)).toBe(0)
  })
})
