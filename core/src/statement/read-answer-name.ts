import { findJoint, findMember, pairsOf } from '../document/names.js'
import { typed } from '../document/typed.js'
import type { Component, Problem } from '../document/types.js'
import { isAlone, mayBeOwn, type Place } from './answer-place.js'
import { holdOf } from './supports.js'

/**
 * Which place in the results a name on paper means: `Ay`, `M_BA`, `F_DH`, `M_AB at 2 m`, `largest M in BC`.
 */

export type NamedPlace = { ok: true; place: Place } | { ok: false; message: string }
const refused = (message: string): NamedPlace => ({ ok: false, message })
const found = (place: Place): NamedPlace => ({ ok: true, place })

type Along = 'axial' | 'shear' | 'moment' | 'deflection'

const WORD_OF: Record<string, Along> = {
  m: 'moment',
  moment: 'moment',
  v: 'shear',
  q: 'shear',
  shear: 'shear',
  n: 'axial',
  f: 'axial',
  s: 'axial',
  axial: 'axial',
  'axial force': 'axial',
  deflection: 'deflection',
}
const SIDES: Record<string, 'left' | 'right'> = {
  left: 'left',
  'just before': 'left',
  right: 'right',
  'just after': 'right',
}
const LETTERS = '(M|V|N|Q|F|S|moment|shear|axial force|axial|deflection)'

/** One way of writing a name: undefined where the text is not written so. */
type Way = (p: Problem, text: string) => NamedPlace | undefined

const matches =
  (pattern: RegExp, read: (p: Problem, groups: (string | undefined)[]) => NamedPlace | undefined): Way =>
  (p, text) => {
    const m = pattern.exec(text)
    return m ? read(p, m.slice(1)) : undefined
  }

/** The member of a name, and whether the joint named first is its start or its end. */
function memberAt(p: Problem, text: string): { member: string; near: '0%' | '100%' } | { message: string } {
  const it = findMember(p, text)
  if (!it.ok) return it
  const m = p.members.find((o) => o.id === it.member)!
  const pair = pairsOf(p, text).find(
    ([a, b]) => (a === m.end && b === m.start) || (a === m.start && b === m.end),
  )
  return { member: m.id, near: pair?.[0] === m.end && pair[1] === m.start ? '100%' : '0%' }
}

/** A value along a member: at the place that is said, else at the joint that its name begins with. */
function alongMember(p: Problem, quantity: Along, name: string, at?: string, side?: string): NamedPlace {
  const of = memberAt(p, name)
  if ('message' in of) return refused(of.message)
  const { member } = of
  if (quantity === 'axial' && at === undefined && isAlone(p, member)) return found({ quantity, member })
  if (isAlone(p, member)) return refused(`${member} carries axial force alone.`)
  const way = side === undefined ? {} : { side: SIDES[side] }
  return found({ quantity, member, at: at === undefined ? of.near : typed(at), ...way })
}

function extreme(
  p: Problem,
  least: boolean,
  word: string | undefined,
  name?: string,
  at?: string,
): NamedPlace {
  const of = WORD_OF[(word ?? 'm').toLowerCase()]
  const quantity = least ? 'minimum' : 'maximum'
  const rest = at === undefined ? {} : { at: typed(at) }
  if (name === undefined) return found({ quantity, of, ...rest })
  const member = findMember(p, name)
  return member.ok ? found({ quantity, of, member: member.member, ...rest }) : refused(member.message)
}

function displacement(p: Problem, name: string, component: Component): NamedPlace {
  const node = findJoint(p, name)
  return node === undefined
    ? refused(`There is no joint ${name}.`)
    : found({ quantity: 'displacement', node, component })
}

/** A reaction; without a component the one that the support has, if it has one alone. */
function reaction(
  p: Problem,
  name: string,
  component: Component | undefined,
  own = false,
): NamedPlace | undefined {
  const node = findJoint(p, name)
  const support = p.supports?.find((s) => s.node === node)
  if (node === undefined || !support) return undefined
  const held = (['x', 'y', 'rotation'] as const).filter((c) => holdOf(support, c) !== 'free')
  const which = component ?? (held.length === 1 ? held[0] : undefined)
  if (which === undefined)
    return refused(
      `The support at ${node} has several reactions: write ${node}x, ${node}y or M at support ${node}.`,
    )
  const place: Place = { quantity: 'reaction', node, component: which }
  return found(own && mayBeOwn(p, place) ? { ...place, axes: 'own' } : place)
}

/** `FEM_BA`: the fixed-end moment of AB at its end B. */
function fixedEnd(p: Problem, what: string, name: string, side?: string): NamedPlace {
  const of = memberAt(p, name)
  if ('message' in of) return refused(of.message)
  const { member, near } = of
  if (isAlone(p, member)) return refused(`${member} carries axial force alone.`)
  const end = side === undefined ? (near === '0%' ? 'start' : 'end') : (side as 'start' | 'end')
  const of3 = ({ m: 'rotation', v: 'y', n: 'x' } as const)[what.toLowerCase() as 'm']
  return found({ quantity: 'fixed-end', member, end, component: of3 })
}

function loadVector(p: Problem, name: string, c: string): NamedPlace {
  const node = findJoint(p, name)
  return node === undefined
    ? refused(`There is no joint ${name}.`)
    : found({ quantity: 'load-vector', node, component: component(c) })
}

const FIXED_WORDS: Record<string, string> = { moment: 'm', shear: 'v', 'axial force': 'n' }

const component = (letter: string): Component => (/^[xy]$/.test(letter) ? (letter as 'x' | 'y') : 'rotation')

function structureEntry(p: Problem, [row, rc, column, cc]: (string | undefined)[]): NamedPlace {
  const places = [
    [row!, rc!],
    [column!, cc!],
  ].map(([name, c]) => ({ node: findJoint(p, name), component: component(c), name }))
  const missing = places.find((o) => o.node === undefined)
  if (missing) return refused(`There is no joint ${missing.name}.`)
  const [a, b] = places.map((o) => ({ node: o.node!, component: o.component }))
  return found({ quantity: 'stiffness', row: a, column: b })
}

function memberEntry(p: Problem, name: string, row: string, column: string, axes?: string): NamedPlace {
  const it = findMember(p, name)
  if (!it.ok) return refused(it.message)
  const [r, c] = [row, column].map((t) => Number(t) as 1)
  return found({
    quantity: 'stiffness',
    member: it.member,
    axes: axes === 'member' ? 'member' : 'global',
    row: r,
    column: c,
  })
}

/** The ways in which names are written, the plainest words first; the first that fits is taken. */
const WAYS: readonly Way[] = [
  matches(/^(?:(?:critical|elastic) )*load factor$|^(?:λ|lambda)(?: ?cr)?$/i, () =>
    found({ quantity: 'load-factor' }),
  ),
  matches(/^FE(M|V|N) ?(?:of )?(.+?)(?: at (start|end))?$/, (p, [what, name, end]) =>
    fixedEnd(p, what!, name!, end),
  ),
  matches(
    /^fixed-end (moment|shear|axial force) (?:of )?(.+?)(?: at (?:its )?(start|end))?$/i,
    (p, [what, name, end]) => fixedEnd(p, FIXED_WORDS[what!.toLowerCase()], name!, end?.toLowerCase()),
  ),
  matches(/^P (?:at )?(.+?) ?(x|y|turn|rotation)$/, (p, [name, c]) => loadVector(p, name!, c!)),
  matches(/^K (.+?) (x|y|turn|rotation),? (.+?) (x|y|turn|rotation)$/, structureEntry),
  matches(
    /^k(?: of)? ?(.+?)[ [(]+([1-6]) ?, ?([1-6])[\])]?(?:,? in (member|global) axes)?$/,
    (p, [name, r, c, axes]) => memberEntry(p, name!, r!, c!, axes),
  ),
  matches(
    new RegExp(
      `^(largest|max(?:imum)?|least|smallest|min(?:imum)?) ?${LETTERS}?(?: (?:in|of) (.+?))?(?: at (.+))?$`,
      'i',
    ),
    (p, [which, word, name, at]) => extreme(p, /^(?:least|small|min)/i.test(which!), word, name, at),
  ),
  matches(/^(M|V|N),? ?(max|min)(?:[, ]+(?:in |of )?(.+?))?(?: at (.+))?$/i, (p, [word, which, name, at]) =>
    extreme(p, which!.toLowerCase() === 'min', word, name, at),
  ),
  matches(/^(?:rotation|turn) (?:of|at) (.+)$/i, (p, [name]) => displacement(p, name!, 'rotation')),
  matches(/^([xy]) displacement (?:of|at) (.+)$/i, (p, [c, name]) =>
    displacement(p, name!, component(c!.toLowerCase())),
  ),
  matches(/^(?:M|moment) at (?:support )?(.+)$/i, (p, [name]) => reaction(p, name!, 'rotation')),
  matches(
    new RegExp(`^${LETTERS} ?(?:of |in )?(.+?) (?:at|@) ?(.+?)(?:,? (left|right|just before|just after))?$`),
    (p, [word, name, at, side]) => alongMember(p, WORD_OF[word!.toLowerCase()], name!, at, side),
  ),
  matches(new RegExp(`^${LETTERS} ?(?:of |in )?(.+?) ?\\((.+)\\)$`), (p, [word, name, at]) =>
    alongMember(p, WORD_OF[word!.toLowerCase()], name!, at),
  ),
  matches(/^(.+?) ?([xy])( own axes)?$/, (p, [name, c, own]) => reaction(p, name!, component(c!), !!own)),
  matches(/^(?:R|reaction(?: (?:at|of))?) ?(.+?)(?: ?([xy]))?( own axes)?$/, (p, [name, c, own]) =>
    reaction(p, name!, c === undefined ? undefined : component(c), !!own),
  ),
  matches(/^(H|V|M) ?(.+)$/, (p, [letter, name]) =>
    reaction(p, name!, ({ H: 'x', V: 'y', M: 'rotation' } as const)[letter as 'H']),
  ),
  matches(/^(?:θ|φ|theta|phi) ?(.+)$/, (p, [name]) => displacement(p, name!, 'rotation')),
  matches(/^(u|v) ?(.+)$/, (p, [letter, name]) => displacement(p, name!, letter === 'u' ? 'x' : 'y')),
  matches(/^(?:δ|Δ|delta|Delta|d|D) ?(.+?) ?([xy])$/, (p, [name, c]) =>
    displacement(p, name!, component(c!)),
  ),
  matches(new RegExp(`^${LETTERS} ?(?:of |in )?(.+)$`), (p, [word, name]) =>
    alongMember(p, WORD_OF[word!.toLowerCase()], name!),
  ),
  (p, text) => {
    const member = findMember(p, text)
    return member.ok && isAlone(p, member.member)
      ? found({ quantity: 'axial', member: member.member })
      : undefined
  },
]

/** Subscripts, braces and dollar signs are ways of setting a name; they say nothing. */
const plain = (text: string) => text.replace(/_/g, ' ').replace(/[{}$]/g, '').replace(/\s+/g, ' ').trim()

/**
 * Reads the name of a value as the figure's labels and the common ways of writing have it. `M_BA` is the
 * moment in member AB at its end B.
 */
export function readAnswerName(p: Problem, text: string): NamedPlace {
  const name = plain(text)
  // a name that is set with a letter but means nothing so is told by the last way that understood its form
  let why: NamedPlace | undefined
  for (const way of WAYS) {
    const read = way(p, name)
    if (read?.ok) return read
    why ??= read
  }
  return why ?? refused(`“${text.trim()}” is not understood: write Ay, M_AB, F_AB, M_AB at 2 m, θ_B.`)
}
