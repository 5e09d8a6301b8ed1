import type { Outline } from '../outline.js'

/** Coefficients for equal spans; `method.ts` makes what each step says of a problem. */
export const OUTLINE = {
  key: 'coefficients',
  title: 'Coefficients for equal spans',
  steps: [
    {
      key: 'beam',
      title: 'The beam and its load',
      label: 'Beam',
      figure: { loads: true, dimensions: true },
      printed: { loads: true, dimensions: true },
    },
    { key: 'moments', title: 'Moments over the supports', label: 'Moments', figure: { diagram: true } },
    { key: 'reactions', title: 'Reactions', figure: { loads: true, reactions: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true }, printed: { diagram: true } },
  ],
} as const satisfies Outline
