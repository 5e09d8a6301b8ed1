import type { Answer } from '../document/types.js'

/** What a quantity along a member is called. */
const LETTER = { axial: 'N', shear: 'V', moment: 'M', deflection: 'deflection' } as const

/** The parts of a fixed-end force, in the axes of the member, as hand solutions abbreviate them. */
const FIXED = { x: 'FEN', y: 'FEV', rotation: 'FEM' } as const

const SUB = { x: ' x', y: ' y', rotation: '' } as const

/** What a hand value is called: "A y", "M of AB at 100%", "largest M". */
export function answerName(a: Answer): string {
  switch (a.quantity) {
    case 'reaction':
      return a.component === 'rotation'
        ? `M at support ${a.node}`
        : `${a.node}${SUB[a.component!]}${a.axes === 'own' ? ' own axes' : ''}`
    case 'displacement':
      return a.component === 'rotation' ? `rotation of ${a.node}` : `${a.component} displacement of ${a.node}`
    case 'axial':
    case 'shear':
    case 'moment':
    case 'deflection':
      return [
        `${LETTER[a.quantity]} of ${a.member}`,
        a.at === undefined ? '' : ` at ${a.at}`,
        a.side ? `, just ${a.side === 'left' ? 'before' : 'after'}` : '',
        a.sense ? `, ${a.sense}` : '',
      ].join('')
    case 'maximum':
    case 'minimum':
      return [
        a.quantity === 'maximum' ? 'largest ' : 'least ',
        LETTER[a.of!],
        a.member ? ` in ${a.member}` : '',
        a.at === undefined ? '' : ` at ${a.at}`,
      ].join('')
    case 'stiffness': {
      const at = (p: Answer['row']) =>
        typeof p === 'number' ? p : p ? `${p.node}${SUB[p.component] || ' turn'}` : ''
      const matrix = a.member ? `k of ${a.member}` : 'K'
      return `${matrix} ${at(a.row)}, ${at(a.column)}${a.axes === 'member' ? ' in member axes' : ''}`
    }
    case 'fixed-end':
      return `${FIXED[a.component!]} of ${a.member} at ${a.end}`
    case 'load-vector':
      return `P at ${a.node}${SUB[a.component!] || ' turn'}`
    case 'load-factor':
      return 'critical load factor'
  }
}
