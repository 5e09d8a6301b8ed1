import type { Outline } from '../outline.js'

/** Moment distribution with its steps in their order; `method.ts` makes what each says of a problem. */
export const OUTLINE = {
  key: 'moment-distribution',
  title: 'Moment distribution',
  steps: [
    { key: 'factors', title: 'Stiffness and distribution', label: 'Factors', figure: { names: true } },
    {
      key: 'fixed-end',
      title: 'Fixed-end moments',
      label: 'Fixed ends',
      figure: { loads: true, names: true },
    },
    {
      key: 'distribution',
      title: 'Distribution',
      figure: { loads: true, names: true },
      printed: { loads: true },
    },
    { key: 'sway', title: 'Sway', figure: { loads: true, names: true } },
    { key: 'moments', title: 'End moments', figure: { diagram: true }, printed: { diagram: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true } },
  ],
} as const satisfies Outline
