import { describe, expect, it } from 'vitest'
import {
  newProblem,
  openProblem,
  problemErrors,
  readProblem,
  work,
  writeProblem,
  type Problem,
} from '../../src/index.js'
import { frame } from '../builder.js'

const whole = (): Problem =>
  frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .member('A', 'B')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'distributed', member: 'AB', direction: 'Y', q: '-2 kN/m' }).problem

/** The document with one place changed by a path such as `nodes.1.x`. */
function changed(path: string, value: unknown): string {
  const doc = JSON.parse(JSON.stringify(whole())) as Record<string, unknown>
  const keys = path.split('.')
  let o = doc
  for (const k of keys.slice(0, -1)) o = o[k] as Record<string, unknown>
  if (value === undefined) delete o[keys[keys.length - 1]]
  else o[keys[keys.length - 1]] = value
  return JSON.stringify(doc)
}

describe('reading a problem', () => {
  it.each([
    ['nodes.1.y', undefined, 'nodes[1].y', /missing/],
    ['nodes.1.x', '3 kN', 'nodes[1].x', /Expected a length, got a force/],
    ['nodes.1.x', null, 'nodes[1].x', /number or an expression/],
    ['nodes.1.id', 'A', 'nodes[1].id', /already/],
    ['nodes.1.id', ' B', 'nodes[1].id', /visible/],
    ['members.0.end', 'Q', 'members[0].end', /no joint Q/],
    ['members.0.section', 'x', 'members[0].section', /no section x/],
    ['nodes.1.x', 0, 'members[0]', /no length/],
    ['members.0.releases', { start: { M: -3 } }, 'members[0].releases.start.M', /negative/],
    ['supports.0.type', 'nailed', 'supports[0].type', /"fixed"/],
    ['supports.0.restrain', { x: 'fixed' }, 'supports[0].restrain', /not both/],
    ['supports.1.settlement', { x: 0.01 }, 'supports[1].settlement.x', /not fixed/],
    ['loadCases.0.loads.0.member', 'ZZ', 'loadCases[0].loads[0].member', /no member ZZ/],
    ['loadCases.0.loads.0.q', '2 kN', 'loadCases[0].loads[0].q', /force per length/],
    ['loadCases.0.loads.0.type', 'thrown', 'loadCases[0].loads[0].type', /"nodal"/],
    ['loadCases.0.loads.0.points', [{ at: 0, q: 1 }], 'loadCases[0].loads[0].points', /not both/],
    ['units.length', 'kN', 'units.length', /not a unit of length/],
    ['version', 2, 'version', /version 2.*up to version 1/],
    ['format', 'other', 'format', /not a Viga problem/],
    ['symbols', { a: 'b', b: 'a' }, 'symbols.a', /circle/],
    ['combinations', [{ id: 'c', factors: { nope: 1 } }], 'combinations[0].factors.nope', /no load case/],
    ['combinations', [{ id: '1', factors: {} }], 'combinations[0].id', /already/],
    ['sections.0.A', -1, 'sections[0].A', /greater than zero/],
    ['sections.0', { id: 's', shape: { type: 'tube', d: 0.1, t: 0.2 } }, 'sections[0].shape', /thicker/],
    [
      'answers',
      [{ id: 'a', quantity: 'reaction', node: 'A', component: 'y', value: '3 m' }],
      'answers[0].value',
      /Expected a force/,
    ],
  ])('refuses %s = %j at its path', (path, value, at, words) => {
    const source = changed(path, value)
    const read = readProblem(source)
    const outcome = read.ok ? work(read.problem) : undefined
    const errors = !read.ok ? read.errors : outcome?.stage === 'invalid' ? outcome.errors : []
    expect(errors[0]).toMatchObject({
      kind: 'invalid',
      path: at,
      message: expect.stringMatching(words) as string,
    })
    expect(openProblem(source).ok).toBe(false)
  })

  it('keeps what it does not know, and says so', () => {
    const read = readProblem(changed('nodes.0.colour', 'green'))
    expect(read.ok && read.notices).toEqual([
      { path: 'nodes[0].colour', message: expect.stringContaining('kept') as string },
    ])
    expect(read.ok && JSON.parse(writeProblem(read.problem)).nodes[0].colour).toBe('green')
  })

  it('is the identity from writing to reading', () => {
    const read = readProblem(writeProblem(whole()))
    expect(read.ok && read.problem).toEqual(whole())
    expect(read.ok && writeProblem(read.problem)).toBe(writeProblem(whole()))
  })

  it('refuses what is too large as a whole, though each list is within its limit', () => {
    const many = <T>(n: number, make: (i: number) => T) => Array.from({ length: n }, (_, i) => make(i))
    const nodes = many(4001, (i) => ({ id: `n${i}`, x: i, y: 0 }))
    const members = many(4000, (i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` }))
    const base = { ...newProblem(), nodes, members }
    const loadCases = many(800, (i) => ({ id: `c${i}`, loads: [] }))
    expect(problemErrors({ ...base, loadCases })[0]).toMatchObject({ path: 'loadCases' })
    const combinations = many(100, (i) => ({ id: `k${i}`, factors: { c1: 1 } }))
    expect(problemErrors({ ...base, loadCases: loadCases.slice(0, 300), combinations })[0]).toMatchObject({
      path: 'combinations',
    })
    const answers = many(9000, (i) => ({ id: `a${i}`, quantity: 'maximum', of: 'moment', value: 1 }))
    expect(problemErrors({ ...base, answers })[0]).toMatchObject({ path: 'answers' })
    expect(problemErrors({ ...base, loadCases: loadCases.slice(0, 10) })).toEqual([])
  })
  it('reads symbols in long chains and large circles without delay', () => {
    const chain = Object.fromEntries(
      Array.from({ length: 10_000 }, (_, i) => [`s${i}`, i === 9999 ? '3 m' : `s${i + 1}`]),
    )
    expect(problemErrors({ ...newProblem(), symbols: chain })).toEqual([])
    const circle = { ...chain, s9999: 's0' }
    const errors = problemErrors({ ...newProblem(), symbols: circle })
    expect(errors[0]).toMatchObject({
      path: 'symbols.s0',
      message: expect.stringMatching(/circle/) as string,
    })
    expect(errors[0].message.length).toBeLessThan(200)
    const p = { ...newProblem(), symbols: { a: 'b + 1 m', b: '2*c', c: '3 m', d: 'e', e: 'd', f: 'd' } }
    expect(problemErrors(p).map((e) => e.path)).toEqual(['symbols.d', 'symbols.e', 'symbols.f'])
  })
  it('reads long runs of digits as feet and inches without delay', () => {
    const digits = '1'.repeat(240)
    for (const x of [`${digits}'${digits}`, `${digits}' ${digits} ${digits.slice(0, 9)}`, digits])
      expect(problemErrors({ ...newProblem(), nodes: [{ id: 'A', x, y: 0 }] }).length).toBeGreaterThan(0)
  })
  it('refuses a file nested too deeply', () =>
    expect(readProblem('['.repeat(5000))).toMatchObject({ ok: false, errors: [{ path: '$' }] }))
  it('says where JSON breaks', () =>
    expect(readProblem('{"format": ')).toMatchObject({
      ok: false,
      errors: [{ path: '$', message: expect.stringContaining('JSON') as string }],
    }))
})
