import type { Problem } from './types.js'

/**
 * An empty sheet: metres and kilonewtons, a default material and section so that a determinate problem never
 * asks for them.
 */
export function newProblem(title = 'Untitled problem'): Problem {
  return {
    format: 'viga-problem',
    version: 1,
    title,
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    materials: [{ id: 'steel', E: '200 GPa' }],
    sections: [{ id: 'default', A: '0.01 m^2', I: '1e-4 m^4' }],
    nodes: [],
    members: [],
    supports: [],
    loadCases: [{ id: '1', title: 'Loads', loads: [] }],
  }
}
