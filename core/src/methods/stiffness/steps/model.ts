import { formatPlain } from '../../../quantity/format.js'
import { determinacy } from '../../../statics/determinacy.js'
import { listed } from '../../../structure/listed.js'
import type { Structure } from '../../../structure/types.js'
import { addressOf } from '../../address.js'
import { inOrder, unknowns } from '../matrices.js'
import { letters } from '../../expression.js'
import type { Context } from '../origins/kind.js'
import { following } from '../origins/tied.js'
import type { Block, Cell, TableBlock } from '../../blocks.js'
import type { StepMaker } from './maker.js'

const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`
const words = (text: string): Block => ({ kind: 'words', words: text })

/** What the structure is taken to be: joints, members, supports, and what is left out of account. */
export const idealisation: StepMaker = ({ context: { solution } }) => {
  const { structure: s, dofs } = solution
  const rigid = s.members.filter((m) => m.axiallyRigid).map((m) => m.id)
  const sheared = s.members.filter((m) => m.GAs > 0).map((m) => m.id)
  const bars = s.members.filter((m) => m.bar).map((m) => m.id)
  const released = s.members.flatMap((m) =>
    m.releases.flatMap((r, i) =>
      r === false || m.bar
        ? []
        : [
            `${['N', 'V', 'M'][i % 3]} at the ${i < 3 ? 'start' : 'end'} of ` +
              `${m.id}${r === true ? '' : ' through a spring'}`,
          ],
    ),
  )
  const said = [
    `${counted(s.nodes.length, 'joint')}, ${counted(s.members.length, 'member')}, ` +
      `${counted(s.supports.length, 'support')}.`,
    s.kind === 'truss'
      ? 'Every member is pinned at both ends and carries axial force alone.'
      : bars.length
        ? `The members bend, but ${listed(bars)} ${bars.length > 1 ? 'carry' : 'carries'} axial force alone.`
        : 'The members bend; joints are rigid unless a hinge is drawn.',
    rigid.length === s.members.length && rigid.length > 0
      ? 'The members keep their length: their axial deformation is neglected.'
      : rigid.length
        ? `${listed(rigid)} ${rigid.length > 1 ? 'keep their lengths' : 'keeps its length'}.`
        : 'Members lengthen and shorten under axial force.',
    s.kind === 'truss'
      ? ''
      : sheared.length
        ? `Shear deforms ${listed(sheared)}.`
        : 'Shear deformation is neglected.',
    released.length ? `Released: ${listed(released)}.` : '',
    'Displacements are small: equilibrium is that of the undeformed structure.',
  ]
  return {
    why: 'Before any number: what is taken to be there, and what is left out.',
    passages: [{ blocks: [words(said.filter(Boolean).join(' ')), countOf(s, determinacy(s, dofs))] }],
  }
}

/** The count of reactions and member forces against the equations of equilibrium. */
function countOf(s: Structure, count: ReturnType<typeof determinacy>): TableBlock {
  return {
    kind: 'table',
    title: 'The count',
    head: ['', ''],
    rows: [
      ['components of reaction', String(count.reactions)],
      [
        s.kind === 'truss' ? 'member forces, one each' : 'member forces, three each and one for a bar',
        `+ ${count.memberForces}`,
      ],
      ...(count.releases > 0 ? [['conditions from releases', `− ${count.releases}`]] : []),
      ['equations of equilibrium', `− ${count.equations}`],
      [
        count.degree === 0
          ? 'statically determinate'
          : `${counted(count.degree, 'redundant')}: statically indeterminate`,
        `= ${count.degree}`,
      ],
    ],
  }
}

const degreesWords = (truss: boolean, all: number, numbered: number) =>
  `Each joint moves along x and y${truss ? '' : ' and turns'}: ${all} degrees of freedom` +
  (numbered < all
    ? `, of which ${numbered} count: nothing happens along the beam.`
    : ', each with its number.')

/** The degrees of freedom with their numbers, joint by joint. */
export const degreesOfFreedom: StepMaker = ({ context }) => {
  const { solution } = context
  const { structure: s, dofs } = solution
  const all = unknowns(context)
  const numbered = inOrder(all)
  const truss = s.kind === 'truss'
  const spinning = s.nodes
    .filter((_, n) => !truss && dofs.of[3 * n] >= 0 && dofs.of[3 * n + 2] < 0)
    .map((n) => n.id)
  const free = numbered.filter((u) => u.free).length
  const held = numbered.length - free
  const rows = s.nodes.flatMap((n, i): Cell[][] =>
    dofs.of[3 * i] < 0
      ? []
      : [
          [
            n.id,
            ...(truss ? [0, 1] : [0, 1, 2]).map((k): Cell =>
              dofs.of[3 * i + k] < 0
                ? 'not defined'
                : all[dofs.of[3 * i + k]].number === 0
                  ? 'left out'
                  : { unknown: all[dofs.of[3 * i + k]] },
            ),
          ],
        ],
  )
  const why = degreesWords(truss, all.length, numbered.length)
  return {
    why,
    passages: [
      {
        blocks: [
          words(
            `${free === 1 ? 'One is' : `${free} are`} free and found by solving; ${held} ` +
              `${held === 1 ? 'is' : 'are'} held by supports.`,
          ),
          ...(spinning.length
            ? [
                words(
                  `Every member end at ${listed(spinning)} is hinged, so ` +
                    `${spinning.length > 1 ? 'their' : 'its'} rotation is no unknown: it is left out ` +
                    'and has no value.',
                ),
              ]
            : []),
          { kind: 'table', head: ['Joint', 'x', 'y', ...(truss ? [] : ['rotation'])], rows },
          ...tiesOf(context),
        ],
      },
    ],
  }
}

/** More equations than this are not listed one below the other. */
export const MANY = 40

/** What rigid members make follow from what. */
function tiesOf(c: Context): Block[] {
  const { rigid, dofs } = c.solution
  if (!rigid || rigid.ties.size === 0) return []
  const free = inOrder(unknowns(c)).filter((u) => u.free)
  const follows = free.filter((u) => rigid.ties.has(u.index))
  const left = free.length - follows.length
  const said = words(
    `Members that keep their length tie unknowns together: ${follows.length} of the ${dofs.free} ` +
      `free ones ${follows.length === 1 ? 'follows' : 'follow'} from others, so that ` +
      `${left === 0 ? 'none is' : left === 1 ? 'one is' : `${left} are`} left to be solved for.`,
  )
  if (follows.length > MANY) return [said]
  const right = follows.map((u) => following(c, u.index)!)
  // what a displacement is so many times, and what is imposed on it, are numbers of their own
  const numbers = right.flatMap((f) =>
    letters(f).flatMap((l) => (l.address.startsWith('D/') ? [] : [l.address])),
  )
  return [
    said,
    ...follows.map((u, i): Block => ({
      kind: 'equation',
      left: c.letter('D', u.index + 1),
      right: right[i],
    })),
    ...(numbers.length ? [{ kind: 'lines' as const, addresses: numbers }] : []),
  ]
}

const turnedBlocks = (id: string, angle: number): Block[] => [
  words(
    `The support at ${id} is turned by ${formatPlain((angle * 180) / Math.PI)}°. The ` +
      `unknowns of ${id} are taken along its own axes, so that what it holds is one of them; the ` +
      'matrices T of the members that meet there hold its cosine and sine.',
  ),
  { kind: 'lines', addresses: [addressOf('cos-turn', id), addressOf('sin-turn', id)] },
]

const springBlocks = (c: Context, springs: { id: string; i: number; dof: number }[]): Block[] =>
  springs.length === 0
    ? []
    : [
        words('A support spring adds its stiffness to the diagonal of K, at its own unknown.'),
        {
          kind: 'table',
          head: ['Spring at', 'unknown', 'stiffness'],
          rows: springs.map((p) => [
            p.id,
            { unknown: unknowns(c)[p.dof] },
            { at: addressOf('spring', p.id, p.i) },
          ]),
        },
      ]

const settlingBlocks = (settling: { id: string; i: number }[]): Block[] =>
  settling.length === 0
    ? []
    : [
        words(
          'A settlement is a displacement that is known: it stands on the right-hand side, with the ' +
            'column of K it belongs to.',
        ),
        {
          kind: 'table',
          head: ['Support', 'settlement'],
          rows: settling.map((p) => [
            `${p.id}, ${['x', 'y', 'rotation'][p.i]}`,
            { at: addressOf('settlement', p.id, p.i) },
          ]),
        },
      ]

/** Turned supports and springs; no step where there are none. */
export const supports: StepMaker = ({ context: c }) => {
  const { structure: s, dofs } = c.solution
  const turned = s.supports.filter((p) => p.angle !== 0)
  const springs = s.supports.flatMap((p) =>
    (['x', 'y', 'rotation'] as const).flatMap((k, i) =>
      typeof p.hold[k] === 'number' ? [{ id: s.nodes[p.node].id, i, dof: dofs.of[3 * p.node + i] }] : [],
    ),
  )
  const settling = s.supports.flatMap((p, at) =>
    (['x', 'y', 'rotation'] as const).flatMap((k, i) =>
      p.settlement[k] !== 0 && c.action.actions.settlement[at] !== 0 ? [{ id: s.nodes[p.node].id, i }] : [],
    ),
  )
  if (turned.length + springs.length + settling.length === 0) return undefined
  return {
    why: 'Springs, turned supports and settlements, and where they enter the equations.',
    passages: [
      {
        blocks: [
          ...turned.flatMap((p) => turnedBlocks(s.nodes[p.node].id, p.angle)),
          ...springBlocks(c, springs),
          ...settlingBlocks(settling),
        ],
      },
    ],
  }
}
