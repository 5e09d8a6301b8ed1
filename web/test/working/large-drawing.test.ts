import { describe, expect, it } from 'vitest'
import type { Unknown } from '@viga/core'
import { LARGEST_CELL } from '../../app/working/large'
import { paintLarge } from '../../app/working/large-drawing'

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
