import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { work, working, type Problem } from '@viga/core'
import { bodyFigure, type SmallFigure } from '../src/body-figure'
import { polygonFigure } from '../src/polygon-figure'

const folder = join(import.meta.dirname, '../../web/database/demo')
const demo = readdirSync(folder).map(
  (f) => [f, JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem] as const,
)

/** The drawings of a problem's first case by every method that fits it. */
function drawings(problem: Problem): { what: string; figure: SmallFigure }[] {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') return []
  const { solution, structure } = outcome
  const [action] = solution.cases
  const solved = () => ({ solution, action })
  return working.METHODS.filter((m) => m.key !== 'stiffness').flatMap((method) => {
    if (!method.fits(problem, structure).fits) return []
    const book = method.open({ problem, structure, action: action.id, solved })
    const { display, acting } = book.context
    return working.stepsOf(book).flatMap((s) =>
      s.passages.flatMap((p) =>
        p.blocks.flatMap((b) => {
          const what = `${method.key}, ${s.key}: ${'caption' in b ? b.caption : ''}`
          if (b.kind === 'body') return [{ what, figure: bodyFigure(b, acting.factors, display) }]
          return b.kind === 'polygon' ? [{ what, figure: polygonFigure(b, display) }] : []
        }),
      ),
    )
  })
}

/** The area in which boxes of words lie over each other, px². */
function covered({ labels }: SmallFigure): number {
  let sum = 0
  labels.forEach((a, i) =>
    labels.slice(i + 1).forEach((b) => {
      const w = (a.box.w + b.box.w) / 2 - Math.abs(a.box.x - b.box.x)
      const h = (a.box.h + b.box.h) / 2 - Math.abs(a.box.y - b.box.y)
      if (w > 1 && h > 1) sum += w * h
    }),
  )
  return sum
}

describe('bodies drawn in the methods', () => {
  it.each(demo)('have names that do not cover each other: %s', (_, problem) => {
    for (const { what, figure } of drawings(problem)) expect(covered(figure), what).toBeLessThan(12)
  })

  it('are cropped to what is drawn', () => {
    for (const { figure } of drawings(demo.find(([f]) => f.includes('orangery'))![1])) {
      const { x, y, width, height } = figure.bounds
      expect(width * height).toBeGreaterThan(0)
      for (const { box } of figure.labels) {
        expect(box.x - box.w / 2).toBeGreaterThanOrEqual(x)
        expect(box.y + box.h / 2).toBeLessThanOrEqual(y + height)
      }
    }
  })
})
