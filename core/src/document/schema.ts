import { loadForm } from '../kinds/loads/index.js'
import { SUPPORT_TYPES } from '../kinds/supports/support-kinds.js'
import {
  anything,
  boolean,
  by,
  dictionary,
  id,
  list,
  number,
  oneOf,
  quantity,
  record,
  text,
  type Check,
} from './form.js'

/**
 * The form of the document, key by key, as docs/format.md lays it down. Meanings (references, dimensions) are
 * checked in `resolve`.
 */

const release: Check = (v, path, r) => {
  if (v !== true && v !== false) quantity(v, path, r)
}
const endReleases = record({ N: release, V: release, M: release })

const sides: Record<string, string[]> = {
  rectangle: ['b', 'h'],
  circle: ['d'],
  tube: ['d', 't'],
  box: ['b', 'h', 't'],
  I: ['b', 'h', 'tf', 'tw'],
  T: ['b', 'h', 'tf', 'tw'],
  channel: ['b', 'h', 'tf', 'tw'],
  angle: ['b', 'h', 't'],
}
/** The required sides of each shape, in the order in which they are asked for. */
export const shapeSides: Readonly<Record<string, readonly string[]>> = sides

const shape = by(
  'type',
  Object.fromEntries(
    Object.entries(sides).map(([type, keys]) => [
      type,
      record({
        type: anything,
        ...Object.fromEntries(keys.map((k) => [`${k}!`, quantity])),
        ...(type === 'I' ? { r: quantity, bBottom: quantity, tfBottom: quantity } : {}),
      }),
    ]),
  ),
)

const component = oneOf('x', 'y', 'rotation')
const place: Check = (v, path, r) => {
  if (typeof v === 'number') oneOf(1, 2, 3, 4, 5, 6)(v, path, r)
  else record({ 'node!': id, 'component!': component })(v, path, r)
}
const answerKeys = {
  'id!': id,
  'quantity!': anything,
  'value!': quantity,
  tolerance: quantity,
  case: id,
  note: text(),
}
const inMember = { 'member!': id, at: quantity, side: oneOf('left', 'right') }
const anyExtreme = record({
  ...answerKeys,
  'of!': oneOf('axial', 'shear', 'moment', 'deflection'),
  member: id,
  at: quantity,
})
const answer = by('quantity', {
  reaction: record({ ...answerKeys, 'node!': id, 'component!': component, axes: oneOf('own', 'global') }),
  displacement: record({ ...answerKeys, 'node!': id, 'component!': component }),
  axial: record({ ...answerKeys, ...inMember, sense: oneOf('tension', 'compression') }),
  shear: record({ ...answerKeys, ...inMember }),
  moment: record({ ...answerKeys, ...inMember }),
  deflection: record({ ...answerKeys, ...inMember }),
  maximum: anyExtreme,
  minimum: anyExtreme,
  stiffness: record({
    ...answerKeys,
    member: id,
    axes: oneOf('member', 'global'),
    'row!': place,
    'column!': place,
  }),
  'load-factor': record(answerKeys),
})

export const document = record({
  'format!': oneOf('viga-problem'),
  'version!': oneOf(1),
  'title!': text(300),
  statement: text(),
  source: text(2000),
  notes: text(),
  'units!': record({
    'length!': text(8),
    'force!': text(8),
    display: dictionary(text(20)),
  }),
  'kind!': oneOf('frame', 'truss'),
  symbols: dictionary(quantity),
  materials: list(
    record({
      'id!': id,
      'E!': quantity,
      unitWeight: quantity,
      alpha: quantity,
      yield: quantity,
      G: quantity,
      nu: quantity,
    }),
  ),
  sections: list(
    record({
      'id!': id,
      A: quantity,
      I: quantity,
      depth: quantity,
      shearArea: quantity,
      yTop: quantity,
      yBottom: quantity,
      shape,
      catalogue: text(60),
    }),
  ),
  'nodes!': list(record({ 'id!': id, 'x!': quantity, 'y!': quantity })),
  'members!': list(
    record({
      'id!': id,
      'start!': id,
      'end!': id,
      material: id,
      section: id,
      releases: record({ start: endReleases, end: endReleases }),
      axiallyRigid: boolean,
      type: oneOf('frame', 'bar'),
      shearDeformation: boolean,
    }),
  ),
  supports: list(
    record({
      'node!': id,
      type: oneOf(...SUPPORT_TYPES),
      restrain: record({ x: quantity, y: quantity, rotation: quantity }),
      angle: quantity,
      settlement: record({ x: quantity, y: quantity, rotation: quantity }),
      settlementCase: id,
    }),
  ),
  loadCases: list(
    record({
      'id!': id,
      title: text(300),
      category: oneOf('dead', 'live', 'roof-live', 'snow', 'wind', 'seismic', 'temperature', 'other'),
      selfWeight: number,
      'loads!': list(loadForm),
    }),
    1000,
  ),
  combinations: list(
    record({
      'id!': id,
      title: text(300),
      'factors!': dictionary(number),
      purpose: oneOf('strength', 'service'),
    }),
    2000,
  ),
  analysis: record({ order: oneOf(1, 2), neglectAxial: boolean }),
  answers: list(answer, 10_000),
  view: anything,
})
