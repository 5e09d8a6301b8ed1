import type { Outline } from '../outline.js'

const LOADED = { loads: true, names: true }

/** The force method with its steps in their order. */
export const OUTLINE = {
  key: 'forces',
  title: 'Force method',
  steps: [
    {
      key: 'redundants',
      title: 'Degree and redundants',
      label: 'Redundants',
      figure: LOADED,
    },
    { key: 'released', title: 'Released structure under the loads', label: 'Released', figure: LOADED },
    { key: 'unit', title: 'Unit redundants', label: 'Units', figure: { names: true } },
    { key: 'displacements', title: 'Displacements', figure: { names: true } },
    { key: 'compatibility', title: 'Compatibility', figure: { names: true } },
    {
      key: 'superposition',
      title: 'Superposition',
      figure: { diagram: true, reactions: true },
      printed: { diagram: true },
    },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true } },
  ],
} as const satisfies Outline
