import type { Outline } from '../outline.js'

const LOADED = { loads: true, names: true }

/** The portal method with its steps in their order. */
export const OUTLINE = {
  key: 'portal',
  title: 'Portal method',
  steps: [
    { key: 'assumptions', title: 'Assumptions', figure: LOADED },
    { key: 'column-shears', title: 'Shears and moments of the columns', label: 'Columns', figure: LOADED },
    { key: 'beam-moments', title: 'Moments and shears of the beams', label: 'Beams', figure: LOADED },
    { key: 'axial', title: 'Axial forces', figure: LOADED },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true }, printed: { diagram: true } },
  ],
} as const satisfies Outline
