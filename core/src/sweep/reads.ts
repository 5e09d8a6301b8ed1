import type { Component, Problem } from '../document/types.js'
import type { AlongMember, Place } from '../kinds/answers/index.js'

/** A value that a sweep reads, as an answer's place has it. */
export interface Read {
  /** As it was asked for: `displacement:C:x`. */
  text: string
  place: Place
}

const ALONG = ['axial', 'shear', 'moment', 'deflection'] as const
const COMPONENTS: readonly Component[] = ['x', 'y', 'rotation']

/**
 * What a sweep is to read: `displacement:C:x`, `reaction:A:y`, `moment:AB:50%`, `maximum:moment` or
 * `maximum:moment:AB`, `minimum:shear:AB`, `load-factor`.
 */
export function readRead(
  p: Problem,
  text: string,
): { ok: true; read: Read } | { ok: false; message: string } {
  const no = (message: string) => ({ ok: false as const, message })
  const [quantity, ...rest] = text.split(':')
  const yes = (place: Place) => ({ ok: true as const, read: { text, place } })
  if (quantity === 'load-factor') return yes({ quantity })
  if (quantity === 'displacement' || quantity === 'reaction') {
    const component = rest[rest.length - 1] as Component
    const node = rest.slice(0, -1).join(':')
    if (!COMPONENTS.includes(component)) return no(`${text} ends with x, y or rotation.`)
    if (!p.nodes.some((n) => n.id === node)) return no(`There is no joint ${node}.`)
    return yes({ quantity, node, component })
  }
  if (quantity === 'maximum' || quantity === 'minimum') {
    const [of, ...named] = rest
    const member = named.join(':')
    if (!ALONG.includes(of as 'moment')) return no(`${text} is of axial, shear, moment or deflection.`)
    if (member !== '' && !p.members.some((m) => m.id === member)) return no(`There is no member ${member}.`)
    return yes({ quantity, of: of as AlongMember, ...(member ? { member } : {}) })
  }
  if (!ALONG.includes(quantity as 'moment'))
    return no(
      `${text} cannot be read; write displacement:JOINT:x, reaction:JOINT:y, moment:MEMBER:50%, ` +
        'maximum:moment or load-factor.',
    )
  const whole = rest.join(':')
  const alone = p.members.some((m) => m.id === whole)
  const member = alone ? whole : rest.slice(0, -1).join(':')
  if (!p.members.some((m) => m.id === member)) return no(`There is no member ${member}.`)
  return yes({ quantity: quantity as 'moment', member, at: alone ? '0%' : rest[rest.length - 1] })
}
