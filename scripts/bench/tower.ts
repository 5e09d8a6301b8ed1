import type { Problem } from '@viga/core'

/**
 * A rectangular frame of so many storeys and bays, fixed at its feet, loaded on every beam and pushed at
 * every floor.
 */
export function tower(storeys: number, bays: number): Problem {
  const nodes = []
  const members = []
  const loads = []
  const id = (i: number, j: number) => `${j}.${i}`
  for (let j = 0; j <= storeys; j++)
    for (let i = 0; i <= bays; i++) nodes.push({ id: id(i, j), x: 6 * i, y: 3.5 * j })
  for (let j = 1; j <= storeys; j++) {
    for (let i = 0; i <= bays; i++)
      members.push({
        id: `c${id(i, j)}`,
        start: id(i, j - 1),
        end: id(i, j),
        material: 'steel',
        section: 'column',
      })
    for (let i = 0; i < bays; i++) {
      members.push({
        id: `b${id(i, j)}`,
        start: id(i, j),
        end: id(i + 1, j),
        material: 'steel',
        section: 'beam',
      })
      loads.push({ type: 'distributed' as const, member: `b${id(i, j)}`, direction: 'Y' as const, q: -20 })
    }
    loads.push({ type: 'nodal' as const, node: id(0, j), fx: 15 })
  }
  return {
    format: 'viga-problem',
    version: 1,
    title: 'bench',
    units: { length: 'm', force: 'kN' },
    kind: 'frame',
    materials: [{ id: 'steel', E: '200 GPa' }],
    sections: [
      { id: 'column', A: '150 cm^2', I: '25000 cm^4' },
      { id: 'beam', A: '84 cm^2', I: '23000 cm^4' },
    ],
    nodes,
    members,
    supports: Array.from({ length: bays + 1 }, (_, i) => ({ node: id(i, 0), type: 'fixed' as const })),
    loadCases: [{ id: '1', loads }],
  }
}
