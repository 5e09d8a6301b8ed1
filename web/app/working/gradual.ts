import { working } from '@viga/core'
import { startTransition, useEffect, useState, type RefObject } from 'react'
import { afterPaint, useBrowserLayout } from '../widgets/after-paint'

/** What is put on the page first, px as estimated, and what is added until the view is full. */
const FIRST = 500
const MORE = 160
/** Each time what is there has been painted, there is room for so many times as much. */
const GROWS = 3

/**
 * Letters of a formula that stand beside each other, and beyond which its numbers begin a line of their own.
 */
const WIDE = 72
const LINE = 36
const ROW = 25
/** A heading within a step. */
const TITLE = 40

/** About how high the line of a number will be on the page, px. */
export function heightOfLine(ledger: working.Ledger, at: string): number {
  const { origin } = ledger.origin(at)
  if (origin.kind !== 'formula') return LINE
  const [letters, numbers] = [
    working.formulaText(origin.formula).length,
    working.formulaText(origin.formula, 'numbers').length,
  ]
  return letters + numbers <= WIDE
    ? LINE
    : LINE + ROW * (Math.ceil(letters / WIDE) - 1 + Math.ceil(numbers / WIDE))
}

/** About how high each part of a step will be on the page, px; its formulas each as one line. */
const HEIGHTS: working.BlockVisitor<number> = {
  words: (b) => 12 + 22 * Math.ceil(b.words.length / 75),
  lines: (b) => 8 + titleOf(b) + LINE * b.addresses.length,
  table: (b) => ROW + titleOf(b) + ROW * b.rows.length,
  matrix: (b) => 54 + 18 * Math.min(b.rows.length, 22),
  drawing: () => 160,
  body: () => 300,
  polygon: () => 30,
  chart: () => 260,
  equation: () => LINE,
  polynomial: () => LINE,
}

export const heightOf = (block: working.Block): number => working.visitBlock(block, HEIGHTS)

const titleOf = ({ title }: { title?: string }) => (title ? 26 : 0)

const total = (passages: readonly working.Passage[]) =>
  passages.reduce((sum, p) => sum + p.blocks.reduce((s, b) => s + heightOf(b), p.title ? TITLE : 0), 0)

/**
 * What of a part fits into a height, the height it takes, and that of the rest: lines and rows one by one,
 * others whole.
 */
function fitting(
  block: working.Block,
  room: number,
  ledger: working.Ledger,
): [fits: working.Block, used: number, left: number] {
  if (block.kind === 'lines') {
    const { addresses } = block
    let [n, used] = [0, titleOf(block)]
    while (n < addresses.length && (n === 0 || used < room)) used += heightOfLine(ledger, addresses[n++])
    return n === addresses.length
      ? [block, used, 0]
      : [{ ...block, addresses: addresses.slice(0, n) }, used, LINE * (addresses.length - n)]
  }
  if (block.kind === 'table') {
    const n = Math.max(1, Math.ceil((room - titleOf(block)) / ROW))
    if (n < block.rows.length)
      return [{ ...block, rows: block.rows.slice(0, n) }, room, ROW * (block.rows.length - n)]
  }
  return [block, heightOf(block), 0]
}

/**
 * The beginning of a step, as much as fits into a height in px; `left` is about the height of what does not.
 */
export function beginning(
  passages: readonly working.Passage[],
  room: number,
  ledger: working.Ledger,
): { passages: readonly working.Passage[]; left: number } {
  if (room === Infinity) return { passages, left: 0 }
  const out: working.Passage[] = []
  let used = 0
  let left = 0
  for (const p of passages) {
    const blocks: working.Block[] = []
    // a part that is begun shows at least one line
    const begun = used < room
    if (begun && p.title) used += TITLE
    for (const b of p.blocks) {
      const [fits, height, rest] =
        begun && (blocks.length === 0 || used < room)
          ? fitting(b, room - used, ledger)
          : [undefined, 0, heightOf(b)]
      if (fits) blocks.push(fits)
      used += height
      left += rest
    }
    if (begun) out.push({ ...p, blocks })
  }
  return { passages: out, left }
}

/**
 * How much of a step is on the page, px as estimated: what the view has room for at once, the rest once that
 * is painted. `end` goes on what stands below all that is there; it is measured against the edge of the
 * scrolled part of the page.
 */
export function useRoom(passages: readonly working.Passage[], end: RefObject<HTMLElement | null>): number {
  const [room, setRoom] = useState(FIRST)
  const all = room >= total(passages)
  useBrowserLayout(() => {
    const below = end.current
    const view = below?.closest('.sheet-body')
    if (!all && below && view && below.getBoundingClientRect().top < view.getBoundingClientRect().bottom)
      setRoom(room + MORE)
  }, [room, all, end])
  useEffect(() => {
    if (!all) return afterPaint(() => startTransition(() => setRoom((r) => r * GROWS)))
  }, [room, all])
  return all ? Infinity : room
}
