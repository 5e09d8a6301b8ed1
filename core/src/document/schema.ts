import * as D from '../quantity/dimension.js'
import { answerForm } from '../kinds/answers/index.js'
import { loadForm } from '../kinds/loads/index.js'
import { sectionForm } from '../kinds/sections/form.js'
import { supportForm } from '../kinds/supports/form.js'
import {
  anything,
  boolean,
  dictionary,
  label,
  labelled,
  list,
  number,
  oneOf,
  quantity,
  record,
  reference,
  release,
  text,
} from './form.js'

/**
 * The form of the document, key by key, as docs/format.md lays it down: what each value may be, its
 * dimension, and what it refers to. What the entries mean together is checked in `structure/resolve.ts`.
 */

export const unitsForm = record({
  'length!': text(8),
  'force!': text(8),
  display: dictionary(text(20)),
})

export const materialForm = record({
  'id!': label,
  'E!': quantity(D.stress),
  unitWeight: quantity(D.unitWeight),
  alpha: quantity(D.perTemperature),
  yield: quantity(D.stress),
  G: quantity(D.stress),
  nu: quantity(D.none),
})

export const nodeForm = record({ 'id!': label, 'x!': quantity(D.length), 'y!': quantity(D.length) })

const endReleases = record({
  N: release(D.forcePerLength),
  V: release(D.forcePerLength),
  M: release(D.moment),
})

export const memberForm = record({
  'id!': label,
  'start!': reference('node'),
  'end!': reference('node'),
  material: reference('material', ['material']),
  section: reference('section', ['section']),
  releases: record({ start: endReleases, end: endReleases }),
  axiallyRigid: boolean,
  type: oneOf('frame', 'bar'),
  shearDeformation: boolean,
})

export const caseForm = record({
  'id!': label,
  title: text(300),
  category: oneOf('dead', 'live', 'roof-live', 'snow', 'wind', 'seismic', 'temperature', 'other'),
  selfWeight: number,
  'loads!': list(loadForm),
})

export const combinationForm = record({
  'id!': label,
  title: text(300),
  'factors!': dictionary(number, reference('case')),
  purpose: oneOf('strength', 'service'),
})

/** What an interface remembers with the problem; only the keys that refer to something are described. */
const viewForm = record({
  numbering: list(labelled('node'), 100_000),
  /** Effective length over length of members, for their Euler load. */
  effectiveLengths: dictionary(number, reference('member')),
  readings: list(record({ 'member!': reference('member'), 'at!': quantity(D.length, { percent: true }) })),
  /** The influence line that is looked at: its quantity, and the members along which the force moves. */
  influence: record({
    of: record({
      quantity: text(30),
      node: reference('node'),
      member: reference('member'),
      at: quantity(D.length, { percent: true }),
    }),
    along: list(reference('member')),
    load: text(200),
    train: text(1000),
  }),
  /** The choices for the methods by which the problem is worked out. */
  methods: record({
    of: record({ quantity: text(30), node: reference('node') }),
    redundants: list(
      record({
        quantity: text(30),
        node: reference('node'),
        member: reference('member'),
        at: quantity(D.length, { percent: true }),
      }),
    ),
    digit: number,
  }),
  /** Diagrams drawn by hand, each of a member and a case. */
  drawn: list(
    record({
      'member!': reference('member'),
      case: reference(['case', 'combination']),
      // the value is a moment or a force as the diagram's quantity says
      ordinates: list(record({ 'at!': quantity(D.length, { percent: true }), 'value!': quantity(D.force) })),
    }),
  ),
})

export const document = record({
  'format!': oneOf('viga-problem'),
  'version!': oneOf(1),
  'title!': text(300),
  statement: text(),
  source: text(2000),
  notes: text(),
  'units!': unitsForm,
  'kind!': oneOf('frame', 'truss'),
  symbols: dictionary(quantity(D.none)),
  /** Symbols that are left open; without the list all that are not stated through others. */
  letters: list(text(100)),
  materials: list(materialForm),
  sections: list(sectionForm),
  'nodes!': list(nodeForm),
  'members!': list(memberForm),
  supports: list(supportForm),
  loadCases: list(caseForm, 1000),
  combinations: list(combinationForm, 2000),
  analysis: record({ order: oneOf(1, 2), neglectAxial: boolean }),
  answers: list(answerForm, 10_000),
  /** How hand solutions of the problem are marked. */
  marking: record({
    each: number,
    follows: number,
    convention: number,
    slip: number,
    values: dictionary(number),
    roundedTo: number,
  }),
  view: { ...viewForm, check: anything.check },
})
