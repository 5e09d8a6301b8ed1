/**
 * How a large matrix lies in its window: the size of a cell, what is scrolled away, and the margins that
 * stay.
 */
export interface Viewport {
  /** px of a cell; wider than high where numbers are written in it. */
  w: number
  h: number
  /** What is scrolled away, px. */
  x: number
  y: number
  /** The window without its margins, px. */
  width: number
  height: number
}

/** Margins with the numbers of the unknowns, px. */
export const LEFT = 38
export const TOP = 27

/** From this height on numbers are written into the cells. */
export const WRITTEN = 17
/** Cells are not drawn larger than this. */
export const LARGEST_CELL = 19
/** How much a step of zoom enlarges. */
export const ZOOM = 1.6

/**
 * The width of a cell of such a height: square as a pattern, wide enough for a number where one is written.
 */
export const widthOf = (h: number): number => (h >= WRITTEN ? 52 : h)

/**
 * The height of a cell at which the whole matrix is in the window; never so large that numbers must be
 * written.
 */
export const fitting = (rows: number, columns: number, width: number, height: number): number =>
  Math.min(WRITTEN - 1, height / rows, width / columns)

/** The first and the last of n cells of such a size that a window shows. */
export function visible(n: number, cell: number, scrolled: number, window: number): [number, number] {
  return [Math.max(0, Math.floor(scrolled / cell)), Math.min(n - 1, Math.floor((scrolled + window) / cell))]
}

/** The cell under a point of the window, its margins included; undefined on a margin or beyond the matrix. */
export function cellUnder(
  viewport: Viewport,
  rows: number,
  columns: number,
  px: number,
  py: number,
): { row: number; column: number } | undefined {
  const row = Math.floor((py - TOP + viewport.y) / viewport.h)
  const column = Math.floor((px - LEFT + viewport.x) / viewport.w)
  return px < LEFT || py < TOP || row < 0 || column < 0 || row >= rows || column >= columns
    ? undefined
    : { row, column }
}

/**
 * Where to scroll so that what stood at a point of the window stays there when the cells become larger or
 * smaller.
 */
export const rescrolled = (scrolled: number, at: number, before: number, after: number): number =>
  Math.max(0, ((scrolled + at) * after) / before - at)

/** The step between numbers on the margin, 1, 2, 5, 10, 20 …, chosen so that they do not overlap. */
export function stride(cell: number, apart: number): number {
  for (let power = 1; ; power *= 10)
    for (const step of [1, 2, 5]) if (step * power * cell >= apart) return step * power
}
