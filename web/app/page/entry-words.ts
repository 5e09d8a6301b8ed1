import type { Part } from '@viga/drawing/caption'

/** An example of what an entry understands: the texts of its fields, and what they state. */
export interface Example {
  fields: Record<string, string>
  means: string
}

/**
 * The entry of a table: the name its texts are kept by, the field it begins with, and examples of its words.
 */
export interface EntryWords {
  title: string
  row: string
  field: string
  /** Every field of the row, empty. */
  empty: Record<string, string>
  examples: readonly Example[]
}

const line = (text: string, means: string): Example => ({ fields: { text }, means })
const load = (on: string, amount: string, means: string, at = ''): Example => ({
  fields: { on, amount, at },
  means,
})

/** Entries of a part of the Sheet, with the words they understand. */
export const entryWords = (part: Part, caseId: string): readonly EntryWords[] =>
  part === 'given' ? given(caseId) : part === 'check' ? CHECK : []

const given = (caseId: string): readonly EntryWords[] => [
  {
    title: 'A joint',
    row: 'joint',
    field: 'x of a new joint',
    empty: { id: '', x: '', y: '' },
    examples: [
      { fields: { id: '', x: '3', y: '4' }, means: 'in the problem’s unit' },
      { fields: { id: '', x: '12*26 in', y: '0' }, means: 'arithmetic and units' },
    ],
  },
  {
    title: 'A joint by others',
    row: 'joint stated by others',
    field: 'joint stated by others',
    empty: { text: '' },
    examples: [
      line('from A: 3, 2', 'so far right and up of A'),
      line('from A: 5 at 30', 'so far from A, at degrees'),
      line('AB meets CD', 'where two lines cross'),
    ],
  },
  {
    title: 'Members',
    row: 'joints of new members',
    field: 'joints of new members',
    empty: { text: '' },
    examples: [line('ABC', 'A to B to C'), line('1-2', 'joints of more than a letter')],
  },
  {
    title: 'A support',
    row: 'joint and kind of a new support',
    field: 'joint and kind of a new support',
    empty: { text: '' },
    examples: [line('A fixed', 'a letter of the kind will do'), line('D roller 45', 'turned by degrees')],
  },
  {
    title: 'A load',
    row: `load in ${caseId}`,
    field: 'joint or member of a new load',
    empty: { on: '', amount: '', at: '' },
    examples: [
      load('B', '12 kN at 30', 'a force at degrees from the right'),
      load('AB', '6 kN/m', 'uniform, downward'),
      load('AB', '5 kN at 1.5, 3', 'the same force at two places'),
      load('AB', '0 to 6 kN/m', 'varying, from place to place', '1 to 3'),
      load('B', '20 kN*m cw', 'a moment, clockwise'),
      load('AB', '20 K', 'temperature rise'),
    ],
  },
]

const CHECK: readonly EntryWords[] = [
  {
    title: 'A hand value',
    row: 'answer',
    field: 'your value',
    empty: { value: '', note: '' },
    examples: [
      { fields: { value: '18.2', note: '' }, means: 'in the problem’s unit' },
      { fields: { value: '8.4 C', note: '' }, means: 'of a bar: T tension, C compression' },
      { fields: { value: 'w*L^2/8', note: '' }, means: 'as it was worked out' },
    ],
  },
]
