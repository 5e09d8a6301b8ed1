import type { Outline } from '../outline.js'

const LOADED = { loads: true, names: true }

/** The three-moment equation with its steps in their order. */
export const OUTLINE = {
  key: 'three-moments',
  title: 'Three-moment equation',
  steps: [
    {
      key: 'beam',
      title: 'Spans and known moments',
      label: 'Spans',
      figure: LOADED,
      printed: { loads: true },
    },
    { key: 'loads', title: 'Load terms', figure: LOADED },
    { key: 'equations', title: 'Equations', figure: LOADED },
    { key: 'moments', title: 'Moments over the supports', label: 'Moments', figure: { diagram: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true }, printed: { diagram: true } },
  ],
} as const satisfies Outline
