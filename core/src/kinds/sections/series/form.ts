/**
 * One series of rolled shapes: sizes as the standard states them, one row a size: name, then the dimensions
 * in `columns` (`unit`s).
 */
export interface Series {
  name: string
  title: string
  standard: string
  shape: 'I' | 'channel' | 'box' | 'tube' | 'angle'
  unit: 'mm' | 'in'
  columns: string
  rows: string
}
