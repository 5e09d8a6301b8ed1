import type { Outline } from '../outline.js'

const LOADED = { loads: true, reactions: true, names: true }

/** Double integration with its steps in their order. */
export const OUTLINE = {
  key: 'integration',
  title: 'Double integration',
  steps: [
    { key: 'moments', title: 'Bending moments', label: 'Moments', figure: LOADED, printed: { loads: true } },
    { key: 'integration', title: 'Integration', figure: LOADED },
    { key: 'conditions', title: 'Conditions and constants', label: 'Constants', figure: LOADED },
    {
      key: 'curve',
      title: 'Deflections',
      figure: { deflected: true, names: true },
      printed: { deflected: true },
    },
    {
      key: 'moment-area',
      title: 'Moment–area theorems',
      label: 'Moment–area',
      figure: { diagram: true, names: true },
    },
    { key: 'comparison', title: 'Comparison', figure: { deflected: true, names: true } },
  ],
} as const satisfies Outline
