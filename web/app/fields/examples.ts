/**
 * What the empty entry fields show as examples: each is a text that the field takes as it stands. Several
 * examples of one field stand with ` · ` between them. A test reads every one of them back.
 */
export const EXAMPLES = {
  members: 'ABC · 1-2-3',
  supports: 'A fixed, D pin, F roller 45',
  jointByOthers: 'from A: 3, 2 · from A: 5 at 30 · AB meets CD',
  loadAmount: '5 kN · 0 to 4 kN/m',
  loadPlace: 'middle',
  loadOnAll: '6 kN/m',
  symbol: 'w = 12 kN/m',
  gridAcross: '3@4, 5.5',
  gridUp: '3, 3',
  ordinate: '2.4 m: 18.5 parabola',
  rolledShape: 'IPE 200 · UB 305x165x40 · W12x26',
  values: 'Ay = 18.2 kN up · M_BA = -37.5 · F_DH = 8.4 C',
} as const

/** The single examples of a field. */
export const examplesOf = (field: keyof typeof EXAMPLES): string[] => EXAMPLES[field].split(' · ')
