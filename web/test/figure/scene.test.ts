import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { work, type Problem } from '@viga/core'
import { placeBeside } from '../../app/figure/Beside'
import { textWidth, vec } from '../../app/figure/marks'
import { drawScene, type Layers } from '../../app/figure/scene'
import { FIGURE_INSETS, fit, inPlane, onScreen, zoomAt } from '../../app/figure/view'
import { drawnLoads, loadWords } from '../../app/figure/words'
import { displayOf } from '../../app/sheet/display'

const folder = join(import.meta.dirname, '../../database/demo')
const demo = readdirSync(folder).map((f): [string, Problem] => [f, JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem])

const none: Layers = { loads: false, dimensions: false, supports: true, unknowns: false, reactions: false, names: false, diagram: null, deflected: false }
const given = { ...none, loads: true, dimensions: true }

function scene(problem: Problem, layers: Layers, caseIndex = 0) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a demo problem is not solved')
  const view = fit(outcome.structure.nodes, 704, 664, FIGURE_INSETS)
  const display = displayOf(problem)
  const action = outcome.solution.cases[caseIndex]
  return { view, ...drawScene({ structure: outcome.structure, view, layers, loads: drawnLoads(outcome.structure, new Set([action.id]), display), display, solved: { solution: outcome.solution, action }, enlarge: 0 }) }
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
      for (const n of problem.nodes) expect(s.labels.some((l) => l.key === `j${n.id}`)).toBe(true)
      for (const l of s.labels) {
        expect(l.box.x - l.box.w / 2).toBeGreaterThan(-6)
        expect(l.box.x + l.box.w / 2).toBeLessThan(710)
      }
    }
  })
  it('draws every load of a case, and says its value', () => {
    problem.loadCases!.forEach((c, i) => {
      const s = scene(problem, given, i)
      c.loads.forEach((_, k) => {
        expect(s.groups.some((g) => g.target === `load:${c.id}:${k}` && g.marks.length > 0)).toBe(true)
        const { main, end, couple } = loadWords(loadsOf(problem)[i][k], displayOf(problem))
        // equal loads of one straight run are said once
        for (const words of [main, end, couple]) if (words) expect(s.labels.some((l) => l.mark.text.includes(words))).toBe(true)
      })
    })
  })
})

it('says magnitudes and lets arrows tell the direction', () => {
  const s = scene(demo[0][1], given)
  expect(s.labels.filter((l) => l.target?.startsWith('load:')).map((l) => l.mark.text)).toEqual(['2.025 kN/m', '2.025 kN/m'])
})

it('writes dimension chains, equal bays together', () => {
  const words = (problem: Problem) => scene(problem, given).groups.filter((g) => g.key.startsWith('dim')).flatMap((g) => g.marks.flatMap((m) => (m.t === 'text' ? [m.text] : [])))
  expect(words(demo[0][1])).toEqual(['7.2 m', '7.2 m', '5.2 m', '2.7 m'])
  expect(words(demo[1][1])).toEqual(['4 bays of 9 ft', '7.5 ft'])
})

describe('the view', () => {
  const view = fit([{ x: 0, y: 0 }, { x: 8, y: 3 }], 700, 660, FIGURE_INSETS)
  it('holds the structure inside its insets', () => {
    const [a, b] = [onScreen(view, 0, 0), onScreen(view, 8, 3)]
    expect(a.x).toBeGreaterThanOrEqual(FIGURE_INSETS.left - 1)
    expect(b.x).toBeLessThanOrEqual(700 - FIGURE_INSETS.right + 1)
    expect(a.y).toBeGreaterThan(b.y)
  })
  it('goes there and back', () => expect(inPlane(view, onScreen(view, 3, 2))).toEqual({ x: expect.closeTo(3, 9) as number, y: expect.closeTo(2, 9) as number }))
  it('zooms about the pointer', () => {
    const p = vec(200, 300)
    const before = inPlane(view, p)
    const after = inPlane(zoomAt(view, p, 1.7), p)
    expect(after.x).toBeCloseTo(before.x, 9)
    expect(after.y).toBeCloseTo(before.y, 9)
  })
  it('puts a form beside a thing, not over it', () => {
    const at = [vec(350, 330)]
    const p = placeBeside(at, [], { width: 704, height: 664 }, 288, 300)
    expect(at[0].x > p.x - 20 && at[0].x < p.x + 308 && at[0].y > p.y - 20 && at[0].y < p.y + 320).toBe(false)
  })
  it('knows about how wide words are', () => expect(textWidth('2.025 kN/m', 12.5)).toBeGreaterThan(50))
})
