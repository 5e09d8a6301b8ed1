import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Unknown } from '@viga/core'
import {
  cellUnder,
  fitting,
  LARGEST_CELL,
  LEFT,
  paintLarge,
  rescrolled,
  stride,
  TOP,
  visible,
  widthOf,
  WRITTEN,
  type Lie,
} from '../../app/working/large'

const unknowns = (n: number, free: number): Unknown[] =>
  Array.from({ length: n }, (_, i) => ({
    index: i,
    number: i + 1,
    node: 'A',
    component: 'x',
    free: i < free,
  }))

/** A context that writes down its words and rectangles. */
function paper() {
  const said: { words: string[]; boxes: number[][] } = { words: [], boxes: [] }
  const nothing = () => {}
  const c = {
    fillStyle: '',
    strokeStyle: '',
    lineWidth: 0,
    font: '',
    textAlign: '',
    textBaseline: '',
    globalAlpha: 1,
    clearRect: nothing,
    strokeRect: nothing,
    beginPath: nothing,
    arc: nothing,
    fill: nothing,
    stroke: nothing,
    moveTo: nothing,
    lineTo: nothing,
    rect: nothing,
    clip: nothing,
    save: nothing,
    restore: nothing,
    fillText: (t: string) => void said.words.push(t),
    fillRect: (...box: number[]) => void said.boxes.push([...box]),
  }
  return { c: c as unknown as Parameters<typeof paintLarge>[0], said }
}
const look = { colour: (n: string) => n, cond: 'cond', sans: 'sans' }
const tridiagonal = (n: number) => (i: number) =>
  [i - 1, i, i + 1].filter((j) => j >= 0 && j < n).map((column) => ({ column, value: column === i ? 2 : -1 }))

describe('the window on a large matrix', () => {
  it('shows the whole of it where asked, at any size, and never writes numbers then', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 5000 }), (rows, columns) => {
        const h = fitting(rows, columns, 480, 400)
        expect(h).toBeLessThan(WRITTEN)
        expect(rows * h).toBeLessThanOrEqual(400 * (1 + 1e-9))
        expect(columns * widthOf(h)).toBeLessThanOrEqual(480 * (1 + 1e-9))
      }),
    )
  })
  it('keeps what stood under the pointer there when it is enlarged', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.integer({ min: 0, max: 400 }),
        fc.double({ min: 0.2, max: 19, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (scrolled, at, h, k) => {
          const after = rescrolled(scrolled, at, h, h * k)
          expect((after + at) / (h * k)).toBeCloseTo((scrolled + at) / h, 6)
        },
      ),
    )
  })
  it('finds the cell under a point, none on the margins or beyond the last', () => {
    const lie: Lie = { w: 52, h: 19, x: 104, y: 38, width: 480, height: 400 }
    expect(cellUnder(lie, 100, 100, LEFT + 1, TOP + 1)).toEqual({ row: 2, column: 2 })
    expect(cellUnder(lie, 100, 100, LEFT - 1, TOP + 1)).toBeUndefined()
    expect(cellUnder(lie, 100, 100, LEFT + 1, TOP - 1)).toBeUndefined()
    expect(cellUnder(lie, 3, 100, LEFT + 1, TOP + 20)).toBeUndefined()
    expect(visible(100, 19, 38, 400)).toEqual([2, 23])
    expect(visible(5, 19, 0, 400)).toEqual([0, 4])
  })
  it('numbers its margins so that they keep apart: every one, every second, every fifth …', () =>
    expect([19, 9, 4, 2, 0.13].map((h) => stride(h, 16))).toEqual([1, 2, 5, 10, 200]))
})

describe('what the window paints', () => {
  const all = unknowns(100, 90)
  const content = { rows: all, columns: all, entries: tridiagonal(100), words: (v: number) => `<${v}>` }
  it('are the numbers in view and no others, each column under its number', () => {
    const { c, said } = paper()
    paintLarge(
      c,
      { w: 52, h: LARGEST_CELL, x: 0, y: 10 * LARGEST_CELL, width: 520 - 1, height: 5 * LARGEST_CELL - 1 },
      content,
      look,
    )
    // rows 11 to 15; of their entries only columns 1 to 10 are in view: one of row 11
    expect(said.words.filter((t) => t.startsWith('<'))).toEqual(['<-1>'])
    expect(said.words.filter((t) => /^\d+$/.test(t))).toEqual([
      '11',
      '12',
      '13',
      '14',
      '15',
      '1',
      '2',
      '3',
      '4',
      '5',
      '6',
      '7',
      '8',
      '9',
      '10',
    ])
  })
  it('are points where cells are small: one for every entry', () => {
    const { c, said } = paper()
    paintLarge(c, { w: 4, h: 4, x: 0, y: 0, width: 400, height: 400 }, content, look)
    expect(said.words.some((t) => t.startsWith('<'))).toBe(false)
    // 298 entries, and a band for each of ten held rows and columns
    expect(said.boxes).toHaveLength(298 + 20)
  })
})
