import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { frameShape, newProblem, work, working, type Problem } from '@viga/core'
import { endForcesOf, heldMember } from '../src/fixed-end-figure'
import { drawScene } from '../src/scene'
import { fit, FIGURE_INSETS, zoomAt } from '../src/view'
import { figureKeyOf, firstLayers } from '../../web/app/sheet/figure-keys'

const demo = (name: string) =>
  JSON.parse(
    readFileSync(join(import.meta.dirname, `../../web/database/demo/${name}.viga.json`), 'utf8'),
  ) as Problem

function bookOf(problem: Problem, last = false) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a demo problem is solved')
  return working.ledger(
    outcome.solution,
    problem.units,
    [...outcome.solution.cases, ...outcome.solution.combinations].at(last ? -1 : 0)!,
    problem,
  )
}

/** The drawing of every loaded member of a working. */
function drawings(book: working.Ledger) {
  const blocks = working
    .stepOf(book, 'loads')!
    .passages.flatMap((p) => p.blocks.flatMap((b) => (b.kind === 'drawing' ? [b] : [])))
  const { structure, display, problem } = book.context
  return blocks.map((b) => ({
    b,
    drawn: heldMember(
      structure,
      b.member,
      book.context.acting.factors,
      display,
      endForcesOf(book, b, working.readingOf(problem)),
    ),
  }))
}

describe('a member held at both ends', () => {
  it('shows its load and the forces of the walls as they act, with their amounts', () => {
    const [AC] = drawings(bookOf(demo('03-orchid-balcony')))
    const said = AC.drawn.labels.map((l) => l.mark.text)
    // wL²/30 and wL²/20 of 9 kN/m over 2 m, 3wL/20 and 7wL/20
    for (const words of ['1.2 kN·m', '1.8 kN·m', '2.7 kN', '6.3 kN', '9 kN/m', 'A', 'C'])
      expect(said).toContain(words)
    expect(said).toHaveLength(7)
  })
  it('has no moment at a hinge', () => {
    const all = drawings(bookOf(demo('04-alpine-lean-to')))
    const BH = all[0].drawn.labels.map((l) => l.mark.text)
    expect(BH.filter((t) => t.endsWith('kN·m'))).toEqual(['1.7745 kN·m'])
  })
  it('draws own weight as the load it is', () => {
    const [AB] = drawings(bookOf(demo('01-palm-house')))
    expect(AB.drawn.labels.map((l) => l.mark.text)).toContain('0.55989 kN/m')
  })
  it(
    'keeps every label inside its picture and off every other, in the demo problems and their ' +
      'combinations',
    () => {
      for (const name of [
        '01-palm-house',
        '03-orchid-balcony',
        '04-alpine-lean-to',
        '05-pergola',
        '07-lily-walkway',
        '11-seed-store',
        '12-quince-arch',
      ]) {
        for (const last of [false, true])
          for (const { drawn } of drawings(bookOf(demo(name), last))) {
            drawn.labels.forEach((a, i) => {
              expect(a.box.y - a.box.h / 2, `${name} ${a.mark.text}`).toBeGreaterThan(drawn.top)
              expect(a.box.y + a.box.h / 2, `${name} ${a.mark.text}`).toBeLessThan(drawn.top + drawn.height)
              for (const b of drawn.labels.slice(i + 1)) {
                const w = (a.box.w + b.box.w) / 2 - Math.abs(a.box.x - b.box.x)
                const h = (a.box.h + b.box.h) / 2 - Math.abs(a.box.y - b.box.y)
                expect(w > 1 && h > 1, `${name}: ${a.mark.text} on ${b.mark.text}`).toBe(false)
              }
            })
          }
      }
    },
  )
})

describe('what the Figure shows', () => {
  it('goes along with the step of the working', () => {
    const shown = firstLayers('M')
    expect(figureKeyOf('results', undefined)).toBe('results')
    expect(figureKeyOf('working', 'stiffness', 'loads')).toBe('stiffness.loads')
    expect(figureKeyOf('working', 'no such step')).toBe('stiffness.idealisation')
    expect(shown['stiffness.loads']).toMatchObject({ loads: true, unknowns: false })
    expect(shown['stiffness.assembly']).toMatchObject({ unknowns: true })
    expect(shown['stiffness.diagrams'].diagram).toBe('M')
  })
  it('is a map without words where members are too short for them, and says them when enlarged', () => {
    const shape = frameShape(
      Array.from({ length: 24 }, () => 6),
      Array.from({ length: 40 }, () => 3.5),
      'fixed',
    )
    const problem: Problem = {
      ...newProblem('tower'),
      nodes: shape.nodes.map(([x, y], i) => ({ id: String(i), x, y })),
      members: shape.members.map(([a, b], i) => ({ id: `m${i}`, start: String(a), end: String(b) })),
    }
    const outcome = work(problem)
    if (outcome.stage === 'invalid') throw new Error('drawn')
    const { structure } = outcome
    const view = fit(structure.nodes, 704, 664, FIGURE_INSETS)
    const shown = (v: typeof view) =>
      drawScene({
        structure,
        view: v,
        layers: { ...firstLayers('M')['stiffness.unknowns'], dimensions: false },
        loads: [],
        display: bookOf(demo('01-palm-house')).context.display,
        enlarge: 0,
      })
    expect(shown(view)).toMatchObject({ map: true, labels: [] })
    const near = shown(zoomAt(view, { x: 350, y: 330 }, 12))
    expect(near.map).toBe(false)
    expect(near.labels.length).toBeGreaterThan(5)
    // of a thousand joints only those in sight are named
    expect(near.labels.length).toBeLessThan(120)
  })
})
