import type { Outline } from '../outline.js'

/** The method of joints with its steps in their order; `method.ts` makes what each says of a problem. */
export const OUTLINE = {
  key: 'joints',
  title: 'Method of joints',
  steps: [
    { key: 'zero', title: 'Bars without force', label: 'No force', figure: { loads: true, names: true } },
    {
      key: 'reactions',
      title: 'Reactions',
      figure: { loads: true, reactions: true, names: true },
    },
    {
      key: 'joints',
      title: 'Joint by joint',
      label: 'Joints',
      figure: { loads: true, reactions: true, names: true },
    },
    { key: 'forces', title: 'Bar forces', figure: { diagram: true }, printed: { diagram: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true } },
  ],
} as const satisfies Outline
