import * as D from '../../quantity/dimension.js'
import { choice, label, oneOf, quantity, record, text, type Form } from '../../document/form.js'

/** The form of a section: by A and I, by rigidities stated as such, by its shape, or from the catalogue. */

const sides = {
  rectangle: ['b', 'h'],
  circle: ['d'],
  tube: ['d', 't'],
  box: ['b', 'h', 't'],
  I: ['b', 'h', 'tf', 'tw'],
  T: ['b', 'h', 'tf', 'tw'],
  channel: ['b', 'h', 'tf', 'tw'],
  angle: ['b', 'h', 't'],
} as const

export type ShapeType = keyof typeof sides

/** The required sides of each shape, in the order in which they are asked for. */
export const shapeSides: Readonly<Record<string, readonly string[]>> = sides

/** Sides that an I may have besides. */
const OPTIONAL = ['r', 'bBottom', 'tfBottom']

/** A shape: its type and the lengths of its sides. */
export type Shape = { type: ShapeType } & Record<string, number | string>

const shape = choice(
  'type',
  Object.fromEntries(
    Object.entries(sides).map(([type, keys]) => [
      type,
      record({
        'type!': oneOf(type),
        ...Object.fromEntries(keys.map((k) => [`${k}!`, quantity(D.length)])),
        ...(type === 'I' ? Object.fromEntries(OPTIONAL.map((k) => [k, quantity(D.length)])) : {}),
      }),
    ]),
  ),
) as Form as Form<Shape>

export const sectionForm = record({
  'id!': label,
  A: quantity(D.area),
  I: quantity(D.secondMoment),
  EA: quantity(D.force),
  EI: quantity(D.bendingStiffness),
  depth: quantity(D.length),
  shearArea: quantity(D.area),
  yTop: quantity(D.length),
  yBottom: quantity(D.length),
  shape,
  catalogue: text(60),
})
