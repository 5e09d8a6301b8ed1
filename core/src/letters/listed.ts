import type { ActionSolution, Solution } from '../analysis/solve.js'
import { reactionName } from '../document/reaction-name.js'
import { thing, type ThingKey } from '../document/thing.js'
import type { LetterName } from '../methods/expression.js'
import { displacementAt, reactionAt } from '../results/at-node.js'
import { courseOf } from '../results/courses.js'
import { extremes, type ExtremeKey } from '../results/extremes.js'
import { signFactors, type Signs } from '../document/signs.js'
import type { Expression, ResultsInLetters } from './results.js'

/** Which unit a number is shown in. */
export type UnitOf = 'force' | 'moment' | 'length' | 'displacement' | 'rotation'

/** One result in letters beside its number. */
export interface LetterLine {
  /** What it belongs to on the Figure. */
  target: ThingKey
  name: LetterName
  expression: Expression
  /** In SI; NaN where it is undetermined. */
  value: number
  unit: UnitOf
  /** The place of an extreme from the start of its member, in letters and in m. */
  at?: { expression: Expression; value: number }
}

export interface LetterList {
  title: string
  lines: LetterLine[]
}

/**
 * The results of one action as lists of lines, under the sign conventions of the problem. Moments and forces
 * that nothing holds are left out, and joints and members that the letters do not know: they may be those of
 * another state of the problem.
 */
export function letterLists(
  solution: Solution,
  action: ActionSolution,
  inLetters: ResultsInLetters,
  signs: Signs,
): LetterList[] {
  return [
    { title: 'Reactions', lines: reactionLines(solution, action, inLetters) },
    { title: 'Along the members', lines: extremeLines(solution, action, inLetters, signs) },
    { title: 'Displacements', lines: displacementLines(solution, action, inLetters) },
  ].filter(({ lines }) => lines.length > 0)
}

const WAYS = ['x', 'y', 'rotation'] as const

function reactionLines(s: Solution, action: ActionSolution, { reactions }: ResultsInLetters): LetterLine[] {
  const { nodes, supports, kind } = s.structure
  return supports.flatMap((p) => {
    const { id } = nodes[p.node]
    if (!Object.hasOwn(reactions, id)) return []
    const there = reactionAt(s, action, p.node)
    const isHeld = { x: p.hold.x !== false, y: p.hold.y !== false, rotation: p.hold.rotation !== false }
    const held = (way: (typeof WAYS)[number]) =>
      p.angle !== 0 && way !== 'rotation'
        ? isHeld.x || isHeld.y
        : isHeld[way] && !(kind === 'truss' && way === 'rotation')
    return WAYS.filter(held).map((way): LetterLine => ({
      target: thing.support(id),
      name: reactionName(id, way),
      expression: reactions[id][way],
      value: there[way],
      unit: way === 'rotation' ? 'moment' : 'force',
    }))
  })
}

const OPPOSITE = { max: 'min', min: 'max' } as const
const LETTERS: Record<ExtremeKey, string> = { N: 'N', V: 'V', M: 'M', relative: 'v' }

function extremeLines(
  s: Solution,
  action: ActionSolution,
  { members }: ResultsInLetters,
  signs: Signs,
): LetterLine[] {
  const factors = { ...signFactors(signs), relative: 1 as const }
  return s.structure.members.flatMap((m, i) => {
    if (!Object.hasOwn(members, m.id)) return []
    const range = extremes(courseOf(s, action, i))
    const keys: ExtremeKey[] = m.bar ? ['N'] : ['N', 'V', 'M', 'relative']
    return keys.flatMap((key) =>
      (['max', 'min'] as const).flatMap((end): LetterLine[] => {
        // under the opposite convention the largest is the former smallest
        const side = factors[key] > 0 ? end : OPPOSITE[end]
        const e = members[m.id].extremes[key][side]
        const isSame = range[key].max.value === range[key].min.value
        if (range[key][side].value === 0 || (isSame && end === 'min')) return []
        return [
          {
            target: thing.member(m.id),
            name: { letter: LETTERS[key], sub: isSame ? m.id : `${m.id}, ${end}` },
            expression: factors[key] > 0 ? e.value : opposite(e.value),
            value: factors[key] * range[key][side].value,
            unit: key === 'M' ? 'moment' : key === 'relative' ? 'displacement' : 'force',
            ...(!isSame && { at: { expression: e.x, value: range[key][side].x } }),
          },
        ]
      }),
    )
  })
}

/** The expression with the opposite sign. */
export function opposite(e: Expression): Expression {
  if (e === null || e === '0') return e
  if (!/ [+-] /.test(withoutBrackets(e))) return e.startsWith('-') ? e.slice(1) : `-${e}`
  return `-(${e})`
}

/** A text with what stands in brackets taken out. */
function withoutBrackets(text: string): string {
  let out = text
  for (let before = ''; out !== before;) {
    before = out
    out = out.replace(/\([^()]*\)/g, '')
  }
  return out
}

function displacementLines(s: Solution, action: ActionSolution, { nodes }: ResultsInLetters): LetterLine[] {
  return s.structure.nodes.flatMap(({ id }, i) => {
    if (!Object.hasOwn(nodes, id)) return []
    const there = displacementAt(s, action, i)
    return WAYS.flatMap((way): LetterLine[] => {
      const value = there[way]
      if (value === null || nodes[id][way] === '0') return []
      return [
        {
          target: thing.node(id),
          name: way === 'rotation' ? { letter: 'θ', sub: id } : { letter: 'Δ', sub: `${id}${way}` },
          expression: nodes[id][way],
          value,
          unit: way === 'rotation' ? 'rotation' : 'displacement',
        },
      ]
    })
  })
}
