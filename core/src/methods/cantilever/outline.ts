import type { Outline } from '../outline.js'

const LOADED = { loads: true, names: true }

/** The cantilever method with its steps in their order. */
export const OUTLINE = {
  key: 'cantilever',
  title: 'Cantilever method',
  steps: [
    { key: 'assumptions', title: 'Assumptions', figure: LOADED },
    { key: 'column-forces', title: 'Axial forces of the columns', label: 'Column forces', figure: LOADED },
    { key: 'beam-shears', title: 'Shears and moments of the beams', label: 'Beams', figure: LOADED },
    { key: 'column-moments', title: 'Moments and shears of the columns', label: 'Columns', figure: LOADED },
    { key: 'axial', title: 'Axial forces', figure: LOADED },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true }, printed: { diagram: true } },
  ],
} as const satisfies Outline
