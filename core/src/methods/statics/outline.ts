import type { Outline } from '../outline.js'

const SHOWN = { loads: true, reactions: true, names: true }

/** Equilibrium equations and sections with their steps in their order. */
export const OUTLINE = {
  key: 'statics',
  title: 'Equilibrium and sections',
  steps: [
    { key: 'count', title: 'What equilibrium gives', label: 'Count', figure: { loads: true, names: true } },
    { key: 'reactions', title: 'Reactions', figure: SHOWN },
    { key: 'sections', title: 'Sections', figure: SHOWN },
    { key: 'diagrams', title: 'Diagrams', figure: { diagram: true }, printed: { diagram: true } },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true } },
  ],
} as const satisfies Outline
