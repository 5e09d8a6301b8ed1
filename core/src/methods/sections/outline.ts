import type { Outline } from '../outline.js'

const SHOWN = { loads: true, reactions: true, names: true }

/** The method of sections with its steps in their order. */
export const OUTLINE = {
  key: 'sections',
  title: 'Method of sections',
  steps: [
    { key: 'reactions', title: 'Reactions', figure: SHOWN },
    { key: 'cuts', title: 'Cuts', figure: SHOWN },
    { key: 'comparison', title: 'Comparison', figure: { diagram: true }, printed: { diagram: true } },
  ],
} as const satisfies Outline
