import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { addShape, displayOf, frameShape, newProblem, work, working, type Problem } from '@viga/core'
import { textWidth, vec } from '../src/marks'
import { drawScene, type Layers } from '../src/scene'
import { FIGURE_INSETS, fit, inPlane, memberLine, onScreen, zoomAt } from '../src/view'
import { drawnLoads, loadWords } from '../src/words'

const folder = join(import.meta.dirname, '../../web/database/demo')
const demo = readdirSync(folder).map((f): [string, Problem] => [
  f,
  JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem,
])

const none: Layers = {
  loads: false,
  dimensions: false,
  supports: true,
  unknowns: false,
  reactions: false,
  names: false,
  diagram: null,
  deflected: false,
}
const given = { ...none, loads: true, dimensions: true }

/** The scene of a problem with the loads of one case, or of all of them. */
function scene(problem: Problem, layers: Layers, caseIndex = 0, all = false) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a demo problem is not solved')
  const view = fit(outcome.structure.nodes, 704, 664, FIGURE_INSETS)
  const display = displayOf(problem)
  const action = outcome.solution.cases[caseIndex]
  return {
    view,
    structure: outcome.structure,
    ...drawScene({
      structure: outcome.structure,
      view,
      layers,
      loads: drawnLoads(
        outcome.structure,
        new Set(all ? outcome.structure.cases.map((c) => c.id) : [action.id]),
        display,
      ),
      display,
      solved: { ...working.numbered(outcome.solution, problem), action },
      enlarge: 0,
    }),
  }
}

function loadsOf(problem: Problem) {
  const outcome = work(problem)
  return outcome.stage === 'invalid' ? [] : outcome.structure.cases.map((c) => c.loads)
}

/** How much two upright labels cover each other, px². */
function covered(labels: ReturnType<typeof scene>['labels']): number {
  let most = 0
  const upright = labels.filter((l) => !l.mark.rotate)
  upright.forEach((a, i) => {
    for (const b of upright.slice(i + 1)) {
      const w = (a.box.w + b.box.w) / 2 - Math.abs(a.box.x - b.box.x)
      const h = (a.box.h + b.box.h) / 2 - Math.abs(a.box.y - b.box.y)
      if (w > 0 && h > 0) most = Math.max(most, w * h)
    }
  })
  return most
}

/** How far a member runs through an upright label, px; its own name may lie along it. */
function struck(s: ReturnType<typeof scene>): { label: string; px: number } {
  let most = { label: '', px: 0 }
  for (const l of s.labels.filter((o) => !o.mark.rotate))
    for (const m of s.structure.members) {
      const { a, b } = memberLine(s.structure, s.view, m)
      const px = inside(l.box, a, b)
      if (px > most.px) most = { label: `${l.mark.text} on ${m.id}`, px }
    }
  return most
}

/** The length of a segment within a box. */
function inside(
  box: { x: number; y: number; w: number; h: number },
  a: { x: number; y: number },
  b: { x: number; y: number },
): number {
  let [t0, t1] = [0, 1]
  for (const [o, d, c, half] of [
    [a.x, b.x - a.x, box.x, box.w / 2],
    [a.y, b.y - a.y, box.y, box.h / 2],
  ]) {
    if (Math.abs(d) < 1e-9) {
      if (Math.abs(o - c) >= half) return 0
      continue
    }
    const [p, q] = [(c - half - o) / d, (c + half - o) / d]
    t0 = Math.max(t0, Math.min(p, q))
    t1 = Math.min(t1, Math.max(p, q))
  }
  return Math.max(0, t1 - t0) * Math.hypot(b.x - a.x, b.y - a.y)
}

/** A frame of n bays and storeys with loads on all its beams and wind on its side. */
function loadedFrame(bays: number, storeys: number): Problem {
  const empty = newProblem('crowd')
  const p = addShape(
    empty,
    frameShape(
      Array.from({ length: bays }, () => 6),
      Array.from({ length: storeys }, () => 3.5),
      'fixed',
    ),
  )
  const at = new Map(p.nodes.map((n) => [n.id, n]))
  const beams = p.members.filter((m) => at.get(m.start)!.y === at.get(m.end)!.y)
  return {
    ...p,
    materials: [{ id: 'steel', E: '200 GPa' }],
    sections: [{ id: 's', A: '80 cm^2', I: '9000 cm^4' }],
    members: p.members.map((m) => ({ ...m, material: 'steel', section: 's' })),
    loadCases: [
      {
        id: 'Q',
        loads: beams.map((m) => ({
          type: 'distributed' as const,
          member: m.id,
          direction: 'Y' as const,
          q: '-4 kN/m',
        })),
      },
      {
        id: 'G',
        loads: [
          ...beams.map((m, i) => ({
            type: 'distributed' as const,
            member: m.id,
            direction: 'Y' as const,
            q: `${-10 - i} kN/m`,
          })),
          ...p.nodes
            .filter((n) => n.x === 0 && n.y !== 0)
            .map((n) => ({ type: 'nodal' as const, node: n.id, fx: '12.5 kN' })),
        ],
      },
    ],
  }
}

describe.each([
  [3, 1, 1],
  [20, 2, 4],
  [45, 4, 5],
  [63, 4, 7],
])('a loaded frame of %i members', (count, bays, storeys) => {
  const problem = loadedFrame(bays, storeys)
  const sets: [string, Layers][] = [
    ['given', given],
    ['moments', { ...none, diagram: 'M' }],
    ['moments and reactions', { ...none, diagram: 'M', reactions: true }],
    ['shear', { ...none, diagram: 'V' }],
    ['unknowns', { ...none, unknowns: true, names: true }],
  ]
  it.each(sets)('%s: no label on another or on a member', (_, layers) => {
    expect(problem.members.length).toBe(count)
    const s = scene(problem, layers, 1)
    expect(covered(s.labels)).toBeLessThan(12)
    expect(struck(s)).toEqual({ label: expect.any(String) as string, px: expect.closeTo(0, -1) as number })
  })
  it('all cases drawn at once: the same', () => {
    const s = scene(problem, given, 0, true)
    expect(covered(s.labels)).toBeLessThan(12)
    expect(struck(s)).toEqual({ label: expect.any(String) as string, px: expect.closeTo(0, -1) as number })
  })
})

describe.each(demo)('%s', (_, problem) => {
  const sets: [string, Layers][] = [
    ['given', given],
    ['moments and reactions', { ...none, diagram: problem.kind === 'truss' ? 'N' : 'M', reactions: true }],
    ['unknowns', { ...none, unknowns: true, names: true }],
  ]
  it.each(sets)('%s: no label on another, every joint named, nothing out of the picture', (_, layers) => {
    for (let c = 0; c < problem.loadCases!.length; c++) {
      const s = scene(problem, layers, c)
      expect(covered(s.labels)).toBeLessThan(12)
      expect(struck(s)).toEqual({ label: expect.any(String) as string, px: expect.closeTo(0, -1) as number })
      for (const n of problem.nodes) expect(s.labels.some((l) => l.key === `j${n.id}`)).toBe(true)
      for (const l of s.labels) {
        expect(l.box.x - l.box.w / 2).toBeGreaterThan(-6)
        expect(l.box.x + l.box.w / 2).toBeLessThan(710)
      }
    }
  })
  it('the numbers of the unknowns stand apart', () => {
    const marks = scene(problem, { ...none, unknowns: true })
      .groups.filter((g) => g.target?.startsWith('dof:'))
      .flatMap((g) => g.marks.flatMap((m) => (m.t === 'text' ? [m] : [])))
    expect(marks.length).toBeGreaterThan(0)
    marks.forEach((m, i) =>
      marks
        .slice(0, i)
        .forEach((o) =>
          expect(
            Math.max(Math.abs(m.x - o.x), Math.abs(m.y - o.y)),
            `${m.text} and ${o.text}`,
          ).toBeGreaterThanOrEqual(17),
        ),
    )
  })
  it('draws every load of a case, and says its value', () => {
    problem.loadCases!.forEach((c, i) => {
      const s = scene(problem, given, i)
      c.loads.forEach((_, k) => {
        expect(s.groups.some((g) => g.target === `load:${c.id}:${k}` && g.marks.length > 0)).toBe(true)
        const { main, end, couple } = loadWords(loadsOf(problem)[i][k], displayOf(problem))
        // equal loads of one straight run are said once
        for (const words of [main, end, couple])
          if (words) expect(s.labels.some((l) => l.mark.text.includes(words))).toBe(true)
      })
    })
  })
})

it('says magnitudes and lets arrows tell the direction', () => {
  const s = scene(demo[0][1], given)
  expect(s.labels.filter((l) => l.target?.startsWith('load:')).map((l) => l.mark.text)).toEqual([
    '2.025 kN/m',
    '2.025 kN/m',
  ])
})

it('writes dimension chains, equal bays together', () => {
  const words = (problem: Problem) =>
    scene(problem, given)
      .groups.filter((g) => g.key.startsWith('dim'))
      .flatMap((g) => g.marks.flatMap((m) => (m.t === 'text' ? [m.text] : [])))
  expect(words(demo[0][1])).toEqual(['7.2 m', '7.2 m', '5.2 m', '2.7 m'])
  expect(words(demo[1][1])).toEqual(['4 bays of 9 ft', '7.5 ft'])
})

describe('the view', () => {
  const view = fit(
    [
      { x: 0, y: 0 },
      { x: 8, y: 3 },
    ],
    700,
    660,
    FIGURE_INSETS,
  )
  it('holds the structure inside its insets', () => {
    const [a, b] = [onScreen(view, 0, 0), onScreen(view, 8, 3)]
    expect(a.x).toBeGreaterThanOrEqual(FIGURE_INSETS.left - 1)
    expect(b.x).toBeLessThanOrEqual(700 - FIGURE_INSETS.right + 1)
    expect(a.y).toBeGreaterThan(b.y)
  })
  it('goes there and back', () =>
    expect(inPlane(view, onScreen(view, 3, 2))).toEqual({
      x: expect.closeTo(3, 9) as number,
      y: expect.closeTo(2, 9) as number,
    }))
  it('zooms about the pointer', () => {
    const p = vec(200, 300)
    const before = inPlane(view, p)
    const after = inPlane(zoomAt(view, p, 1.7), p)
    expect(after.x).toBeCloseTo(before.x, 9)
    expect(after.y).toBeCloseTo(before.y, 9)
  })
  it('knows about how wide words are', () => expect(textWidth('2.025 kN/m', 12.5)).toBeGreaterThan(50))
})
