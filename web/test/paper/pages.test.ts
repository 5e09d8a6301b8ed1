import { describe, expect, it } from 'vitest'
import { begin, PAGE, table } from '@viga/paper/pages'
import type { Box, Doc } from '@viga/paper/type'

/** A document that only counts its pages. */
function counting() {
  const out = { pages: 1 }
  const pen = { lineTo: () => pen, lineWidth: () => pen, strokeColor: () => pen, stroke: () => pen }
  const doc = { addPage: () => (out.pages++, doc), moveTo: () => pen }
  return { doc: doc as unknown as Doc, out }
}

describe('a table on paper', () => {
  const drawn = (rows: number, from: number) => {
    const { doc, out } = counting()
    const seen: { text: string; page: number }[] = []
    const box = (text: string): Box => ({
      w: 40,
      up: 8,
      down: 2,
      draw: () => void seen.push({ text, page: out.pages }),
    })
    const p = { ...begin(doc), y: from }
    const all = ['head', ...Array.from({ length: rows }, (_, i) => `${i}`)]
    table(
      p,
      all.map((t) => [box(t)]),
      true,
    )
    return seen
  }
  it('has its head on every page', () => {
    const heads = drawn(100, PAGE.top).filter((s) => s.text === 'head')
    expect(heads.map((s) => s.page)).toEqual([1, 2, 3])
  })
  it('does not begin with its head alone at the foot of a page', () => {
    const [head, first] = drawn(3, PAGE.height - PAGE.bottom - 20)
    expect([head.text, first.text]).toEqual(['head', '0'])
    expect([head.page, first.page]).toEqual([2, 2])
  })
})
