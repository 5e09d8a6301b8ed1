import { describe, expect, it } from 'vitest'
import {
  createMarker,
  markingOf,
  readAttempt,
  workWithSystem,
  type Answer,
  type Attempt,
  type Problem,
} from '../../src/index.js'
import { marksOf } from '../../src/checking/marks.js'
import { frame } from '../builder.js'

/** A beam of 6 m with 5 kN/m: 15 kN at each support, 22.5 kN·m in the middle. */
const { problem: beam } = frame()
  .node('A', 0, 0)
  .node('B', 6, 0)
  .member('A', 'B')
  .support('A', 'pin')
  .support('B', 'roller')
  .load({ type: 'distributed', member: 'AB', direction: 'Y', q: -5 })

const values = (a: number | string, b: number | string, m: number | string): Answer[] => [
  { id: 'a', quantity: 'reaction', node: 'A', component: 'y', value: a },
  { id: 'b', quantity: 'reaction', node: 'B', component: 'y', value: b },
  { id: 'm', quantity: 'moment', member: 'AB', at: '50%', value: m },
]

interface Marked {
  answers: { id: string | null; verdict: string; reason?: string; computed: number | null }[]
  entries: { id: string | null; verdict: string; reason?: string; computed: number | null }[]
  explanations: { kind: string }[]
  marks: number
  of: number
}

function marker(key: Problem) {
  const { solved } = workWithSystem(key)
  const mark = createMarker(key, solved!)
  return (attempt: Partial<Attempt>) => mark({ answers: [], ...attempt }) as Marked
}

describe('an attempt that is read', () => {
  it.each([
    ['nonsense', '$'],
    ['[1]', '$'],
    ['{"format":"viga-problem"}', 'format'],
    ['{"format":"viga-attempt","version":2,"answers":[]}', 'version'],
    ['{"format":"viga-attempt","version":1}', 'answers'],
    ['{"format":"viga-attempt","answers":[],"entries":3}', 'entries'],
  ])('%s is refused at %s', (source, path) => {
    const read = readAttempt(source)
    expect(read).toMatchObject({ ok: false, path })
  })
  it('keeps keys of its own', () =>
    expect(readAttempt('{"format":"viga-attempt","version":1,"answers":[],"group":"B"}').ok).toBe(true))
})

describe('a marked attempt', () => {
  const mark = marker(beam)
  it('has a verdict for each answer, and full marks where all agree', () => {
    const { answers, marks, of } = mark({ id: 's1', answers: values(15, '15 kN', 22.5) })
    expect(answers.map((a) => a.verdict)).toEqual(['agrees', 'agrees', 'agrees'])
    expect([marks, of]).toEqual([3, 3])
  })
  it('is judged the same whatever was marked before it', () => {
    const sheets = [values(15, 15, 22.5), values(30, 30, 45), values(15, 15, 22.6), values(7, 8, 9)]
    const again = sheets.map((answers) => marker(beam)({ answers }))
    expect(sheets.map((answers) => mark({ answers }))).toEqual(again)
    // the load taken twice
    expect(again[1].explanations[0].kind).toBe('load-doubled')
  })
  it('says what is wrong with an answer that cannot be judged, and judges the others', () => {
    const { answers, marks } = mark({
      answers: [
        { id: 'x', quantity: 'reaction', node: 'Z', component: 'y', value: 1 },
        { id: 'y', quantity: 'colour', value: 1 },
        { id: 'z', quantity: 'reaction', node: 'A', component: 'y', value: 'much' },
        'nothing',
        ...values(15, 15, 22.5),
      ],
    })
    expect(answers.map((a) => a.verdict)).toEqual([
      ...['unknown', 'unknown', 'unknown', 'unknown'],
      ...['agrees', 'agrees', 'agrees'],
    ])
    for (const a of answers.slice(0, 4)) expect(a.reason).toMatch(/\.$/)
    expect(marks).toBe(3)
  })
  it('judges entries of a working by their addresses', () => {
    const { entries } = mark({
      entries: [
        { id: 'L', method: 'stiffness', address: 'L/AB', value: '6 m' },
        { id: 'L2', address: 'L/AB', value: 600, tolerance: '1%' },
        { id: 'n', method: 'stiffness', address: 'nothing/AB', value: 6 },
      ],
    })
    expect(entries.map((e) => e.verdict)).toEqual(['agrees', 'differs', 'unknown'])
    expect(entries[0].computed).toBe(6)
  })
  it('has the tolerance of the key where that states one', () => {
    const key = { ...beam, answers: values(15, 15, 22.5).map((a) => ({ ...a, tolerance: '0.1%' })) }
    const lenient = values(15.1, 15, 22.5).map((a) => ({ ...a, tolerance: '50%' }))
    expect(marker(key)({ answers: lenient }).answers.map((a) => a.verdict)).toEqual([
      'differs',
      'agrees',
      'agrees',
    ])
  })
})

describe('marks', () => {
  const verdict = (id: string, v: 'agrees' | 'differs' | 'follows' | 'convention' | 'unknown') => ({
    id,
    verdict: v,
  })
  const all = [
    verdict('a', 'agrees'),
    verdict('b', 'differs'),
    verdict('c', 'follows'),
    verdict('d', 'convention'),
    verdict('e', 'unknown'),
  ]
  it('are one for each value that agrees or follows, where the key says nothing else', () =>
    expect(marksOf(beam, all, [], undefined)).toEqual({ marks: 2, of: 5 }))
  it('have the worth and the shares that the key states', () => {
    const key = {
      ...beam,
      marking: { each: 2, follows: 0.5, convention: 1, slip: 0.75, values: { a: 3 } },
    }
    // a 3, b 0.75·2, c 0.75·2 by the larger share, d 2
    expect(marksOf(key, all, [], { explains: ['b', 'c'] })).toEqual({ marks: 8, of: 11 })
  })
  it('count what the key asks: left out is 0, not asked is worth nothing', () => {
    const key = { ...beam, answers: values(1, 1, 1) }
    expect(marksOf(key, [verdict('a', 'agrees'), verdict('q', 'agrees')], [], undefined)).toEqual({
      marks: 1,
      of: 3,
    })
  })
  it('are rounded to the nearest multiple, halves up', () => {
    const of = (each: number, roundedTo: number) =>
      marksOf({ ...beam, marking: { each, roundedTo } }, [verdict('a', 'agrees')], [], undefined).marks
    expect([of(0.75, 0.5), of(0.7, 0.5), of(1.24, 0.5), of(0.35, 0.1)]).toEqual([1, 0.5, 1, 0.4])
  })
  it('are as usual where the marking is not of numbers', () =>
    expect(markingOf({ ...beam, marking: { each: 'two' } } as unknown as Problem).each).toBe(1))
})
