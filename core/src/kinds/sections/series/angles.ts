import type { Series } from './form.js'

/** Equal angles: toe radius half the root radius (EN 10056-1). */
export const ANGLES: readonly Series[] = [
  {
    name: 'L',
    title: 'Equal angles',
    standard: 'EN 10056-1',
    shape: 'angle',
    unit: 'mm',
    columns: 'b t r',
    rows: `
      20x3 20 3 3.5
      25x3 25 3 3.5
      25x4 25 4 3.5
      30x3 30 3 5
      30x4 30 4 5
      35x4 35 4 5
      40x4 40 4 6
      40x5 40 5 6
      45x4.5 45 4.5 7
      50x4 50 4 7
      50x5 50 5 7
      50x6 50 6 7
      60x5 60 5 8
      60x6 60 6 8
      60x8 60 8 8
      65x7 65 7 9
      70x6 70 6 9
      70x7 70 7 9
      75x6 75 6 9
      75x8 75 8 9
      80x8 80 8 10
      80x10 80 10 10
      90x7 90 7 11
      90x8 90 8 11
      90x9 90 9 11
      90x10 90 10 11
      100x8 100 8 12
      100x10 100 10 12
      100x12 100 12 12
      120x10 120 10 13
      120x12 120 12 13
      130x12 130 12 14
      150x10 150 10 16
      150x12 150 12 16
      150x15 150 15 16
      160x15 160 15 17
      180x16 180 16 18
      180x18 180 18 18
      200x16 200 16 18
      200x18 200 18 18
      200x20 200 20 18
      200x24 200 24 18
    `,
  },
]
