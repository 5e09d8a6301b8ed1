import type { Outline } from '../outline.js'

const LOADED = { loads: true, reactions: true, names: true }

/** The unit-load method with its steps in their order. */
export const OUTLINE = {
  key: 'unit-load',
  title: 'Unit-load method',
  steps: [
    { key: 'real', title: 'Real loads', label: 'Real', figure: LOADED },
    { key: 'unit', title: 'Unit load', label: 'Unit', figure: { names: true } },
    { key: 'sum', title: 'Virtual work', label: 'Work', figure: { loads: true, names: true } },
    {
      key: 'comparison',
      title: 'Comparison',
      figure: { deflected: true, names: true },
      printed: { deflected: true },
    },
  ],
} as const satisfies Outline
