import type { Outline } from '../outline.js'

/** Members by name and unknowns by number, beside the matrices. */
const NUMBERED = { unknowns: true, names: true }

/** The stiffness method with its steps in their order; `steps/index.ts` makes what each says of a problem. */
export const OUTLINE = {
  key: 'stiffness',
  title: 'Stiffness method',
  steps: [
    {
      key: 'idealisation',
      ofStructure: true,
      title: 'Idealisation',
      figure: { loads: true, names: true },
    },
    {
      key: 'unknowns',
      ofStructure: true,
      title: 'Unknowns',
      figure: NUMBERED,
      printed: { unknowns: true },
    },
    { key: 'supports', ofStructure: true, title: 'Supports', figure: NUMBERED },
    { key: 'stiffness', ofStructure: true, title: 'Stiffness', figure: NUMBERED },
    { key: 'loads', title: 'Loads', figure: { loads: true, names: true } },
    { key: 'assembly', ofStructure: true, title: 'Assembly', figure: NUMBERED },
    { key: 'partition', ofStructure: true, title: 'Partition', figure: NUMBERED },
    {
      key: 'solution',
      title: 'Solution',
      figure: { unknowns: true, deflected: true },
      printed: { deflected: true },
    },
    { key: 'end-forces', title: 'End forces', figure: NUMBERED },
    {
      key: 'reactions',
      title: 'Reactions',
      figure: { loads: true, reactions: true },
      printed: { reactions: true },
    },
    {
      key: 'checks',
      title: 'Checks',
      figure: { loads: true, reactions: true },
    },
    {
      key: 'diagrams',
      title: 'Diagrams',
      figure: { diagram: true },
      printed: { diagram: true },
    },
    {
      key: 'second-order',
      title: 'Second order',
      figure: { deflected: true },
    },
  ],
} as const satisfies Outline
