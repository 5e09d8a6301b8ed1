import { newProblem, type Problem } from '@viga/core'

/** A beam over three joints, with one symbol, for tests of edits. */
export const beam: Problem = {
  ...newProblem('test beam'),
  symbols: { w: '3 kN/m' },
  materials: [{ id: 'steel', E: '200 GPa', alpha: '12e-6/K' }],
  sections: [{ id: 'default', A: '0.01 m^2', I: '1e-4 m^4', depth: '0.3 m' }],
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 4, y: 0 },
    { id: 'C', x: 8, y: 0 },
  ],
  members: [
    { id: 'AB', start: 'A', end: 'B', material: 'steel', section: 'default' },
    { id: 'BC', start: 'B', end: 'C', material: 'steel', section: 'default' },
  ],
  supports: [
    { node: 'A', type: 'pin' },
    { node: 'C', type: 'roller' },
  ],
}
