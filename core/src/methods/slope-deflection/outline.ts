import type { Outline } from '../outline.js'

/** Slope–deflection with its steps in their order; `method.ts` makes what each says of a problem. */
export const OUTLINE = {
  key: 'slope-deflection',
  title: 'Slope–deflection',
  steps: [
    { key: 'unknowns', title: 'Unknowns', figure: { loads: true, names: true }, printed: { loads: true } },
    {
      key: 'fixed-end',
      title: 'Fixed-end moments',
      label: 'Fixed ends',
      figure: { loads: true, names: true },
    },
    {
      key: 'equations',
      title: 'Slope–deflection equations',
      label: 'Equations',
      figure: { loads: true, names: true },
    },
    { key: 'equilibrium', title: 'Equilibrium', figure: { loads: true, names: true } },
    {
      key: 'solution',
      title: 'Solution',
      figure: { deflected: true, names: true },
      printed: { deflected: true },
    },
    { key: 'moments', title: 'End moments', figure: { diagram: true }, printed: { diagram: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true } },
  ],
} as const satisfies Outline
