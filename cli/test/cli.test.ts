import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const bin = join(import.meta.dirname, '../bin/viga.mjs')
const cases = join(import.meta.dirname, '../../core/test/cases')
const file = (name: string) => join(cases, `${name}.viga.json`)
const text = (name: string) => readFileSync(file(name), 'utf8')

/** Results in letters, as far as these tests read them. */
interface ResultsInLetters {
  results: Record<
    string,
    {
      members: Record<string, { start: { fy: number } }>
      letters: { members: Record<string, Record<'start' | 'end', Record<'fy', string>>> }
      lettersMissing?: string
    }
  >
}

function viga(args: string[], input?: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], {
    input,
    encoding: 'utf8',
    maxBuffer: 1e8,
  })
  return {
    status,
    stderr,
    stdout,
    documents: !stdout.startsWith('{')
      ? []
      : stdout
          .trim()
          .split('\n')
          .map(
            (l) =>
              JSON.parse(l) as Record<string, unknown> & {
                format: string
                kind?: string
                results: Record<string, { members: Record<string, { stations: unknown[] }> }>
              },
          ),
  }
}

describe('viga solve', () => {
  it('prints one results document and ends with 0', () => {
    const { status, documents, stderr } = viga(['solve', file('potting-bench')])
    expect([status, stderr, documents.length]).toEqual([0, '', 1])
    expect(documents[0]).toMatchObject({
      format: 'viga-results',
      version: 1,
      units: { length: 'm', force: 'kN' },
    })
    expect(documents[0].stiffness).toBeUndefined()
    expect(documents[0].results.D.members.AB.stations.length).toBeGreaterThanOrEqual(21)
  })
  it('adds the results in letters, and of a problem without symbols its numbers', () => {
    const of = (name: string) => {
      const { status, documents } = viga(['solve', file(name), '--stations', '2', '--letters'])
      expect(status).toBe(0)
      return Object.values((documents[0] as unknown as ResultsInLetters).results)[0]
    }
    const balcony = of('orchid-balcony')
    expect(balcony.letters.members.AC.end.fy).toMatch(/w\*\(5\*a \+ 3\)/)
    expect(balcony.lettersMissing).toMatch(/higher degree/)
    const bench = of('potting-bench')
    expect(Number(bench.letters.members.AB.start.fy)).toBe(bench.members.AB.start.fy)
    expect(bench).not.toHaveProperty('lettersMissing')
  })
  it('takes stations and matrices', () => {
    const { documents } = viga(['solve', file('orchid-balcony'), '--stations', '3', '--matrices'])
    expect(documents[0].results.soil.members.AC.stations).toHaveLength(3)
    expect(documents[0].stiffness).toMatchObject({
      dofs: expect.arrayContaining([{ number: 1, node: 'C', component: 'x', free: true }]) as object,
    })
  })
  it('reads standard input for -', () => expect(viga(['solve', '-'], text('palm-house')).status).toBe(0))
  it('answers line by line, in order, whatever stands on a line', () => {
    const line = (name: string) => JSON.stringify(JSON.parse(text(name)))
    const { status, documents } = viga(
      ['solve', '--lines'],
      [line('palm-house'), '{broken', line('trellis-mast'), '', line('fern-walk')].join('\n'),
    )
    expect(status).toBe(0)
    expect(documents.map((d) => [d.format, d.kind].filter(Boolean).join(':'))).toEqual([
      'viga-results',
      'viga-error:invalid',
      'viga-results',
      'viga-results',
    ])
  })
  it.each([
    [['solve', 'nowhere.viga.json'], undefined, 2, 'invalid', /no file/],
    [['solve', '-'], '{"format":"viga-problem"}', 2, 'invalid', /missing/],
    [['solve'], undefined, 2, 'invalid', /needs a file/],
    [['solve', '-', '--stations', '1'], '{}', 2, 'invalid', /whole number/],
    [['paint'], undefined, 2, 'invalid', /unknown command/],
  ] as [string[], string | undefined, number, string, RegExp][])(
    '%j ends with its status, kind and sentence on both outputs',
    (args, input, status, kind, words) => {
      const r = viga(args, input)
      expect(r.status).toBe(status)
      expect(r.documents[0]).toMatchObject({
        format: 'viga-error',
        kind,
        message: expect.stringMatching(words) as string,
      })
      expect(r.stderr).toMatch(words)
      expect(r.stderr).not.toMatch(/^\s+at /m)
    },
  )
  it('names the joints of a mechanism', () => {
    const problem = JSON.parse(text('palm-house')) as { supports: { type: string }[] }
    for (const s of problem.supports) s.type = 'roller'
    const r = viga(['solve', '-'], JSON.stringify(problem))
    expect(r.status).toBe(1)
    expect(r.documents[0]).toMatchObject({ kind: 'mechanism', nodes: ['A', 'B', 'C', 'D', 'E'] })
  })
})

describe('viga solve --csv', () => {
  it('writes the tables into a folder beside the document it prints', () => {
    const folder = join(mkdtempSync(join(tmpdir(), 'viga-')), 'tables')
    const { status, documents } = viga(['solve', file('potting-bench'), '--csv', folder, '--stations', '3'])
    expect([status, documents.length]).toEqual([0, 1])
    expect(readdirSync(folder)).toEqual(
      expect.arrayContaining(['reactions.csv', 'stations.csv', 'envelope-extremes.csv']),
    )
    const [head, first] = readFileSync(join(folder, 'reactions.csv'), 'utf8').split('\r\n')
    expect(head).toBe('Case,Joint,x (kN),y (kN),moment (kN·m)')
    const { reactions } = documents[0].results.D as unknown as { reactions: Record<string, { y: number }> }
    expect(Number(first.split(',')[3])).toBe(reactions[first.split(',')[1]].y)
  })
  it('says when the folder cannot be written', () => {
    const { status, documents } = viga(['solve', file('potting-bench'), '--csv', '/dev/null/tables'])
    expect(status).toBe(2)
    expect(documents[0]).toMatchObject({ format: 'viga-error', kind: 'invalid' })
  })
})

describe('viga figure', () => {
  const draw = (...args: string[]) =>
    spawnSync(process.execPath, [bin, 'figure', ...args], { encoding: 'utf8', maxBuffer: 1e8 })
  it('draws a diagram of a case as an SVG document with its typefaces inside', () => {
    const { status, stdout } = draw(file('palm-house'), '--show', 'M,reactions', '--case', 'U1', '--caption')
    expect(status).toBe(0)
    expect(stdout).toMatch(/^<svg [^>]*xmlns/)
    expect(stdout).toContain('data:font/woff2')
    expect(stdout).toContain('Bending moments')
  })
  it('writes it to a file', () => {
    const out = join(mkdtempSync(join(tmpdir(), 'viga-')), 'm.svg')
    const { status, stdout } = draw(file('potting-bench'), '--show', 'all', '-o', out)
    expect([status, stdout]).toEqual([0, ''])
    expect(readFileSync(out, 'utf8')).toContain('</svg>')
  })
  it.each([
    [['--show', 'twist'], /twist cannot be shown/],
    [['--case', 'none'], /no case or combination none/],
  ])('%j is refused by name', (args, message) => {
    const { status, stdout } = draw(file('potting-bench'), ...args)
    expect(status).toBe(2)
    expect((JSON.parse(stdout) as { message: string }).message).toMatch(message)
  })
})

describe('viga check', () => {
  const sheets = join(import.meta.dirname, '../../core/test/sheets')
  it('prints verdicts, a score and the slip that explains the sheet', () => {
    const { status, documents } = viga(['check', join(sheets, '9000-02-load-sign.viga.json')])
    expect(status).toBe(0)
    expect(documents[0]).toMatchObject({
      format: 'viga-check',
      version: 1,
      explanations: [{ kind: 'load-sign', subject: { case: 'G', load: 0 }, step: 'loads' }],
    })
  })
  it('reads a problem a line, and answers each in its place', () => {
    const good = JSON.stringify(JSON.parse(text('potting-bench')))
    const { status, documents } = viga(['check', '--lines'], `${good}\n{"no": "problem"}\n`)
    expect(status).toBe(0)
    expect(documents.map((d) => d.format)).toEqual(['viga-check', 'viga-error'])
  })
  it('needs a file', () => expect(viga(['check']).status).toBe(2))
})

describe('viga sweep', () => {
  const sweep = (...args: string[]) => viga(['sweep', file('trellis-mast'), '--case', 'H+W', ...args])
  it('prints a line a step, the load as a part of the critical load, in both orders', () => {
    const { status, stdout } = sweep(
      ...['--vary', 'critical', '--from', '0.1', '--to', '0.9', '--steps', '8'],
      ...['--read', 'displacement:C:x', '--read', 'reaction:A:rotation', '--order', 'both'],
    )
    expect(status).toBe(0)
    const [head, ...lines] = stdout.trim().split('\n')
    expect(head).toBe(
      'critical,"displacement:C:x, first order [m]","displacement:C:x, second order [m]",' +
        '"reaction:A:rotation, first order [kN·m]","reaction:A:rotation, second order [kN·m]"',
    )
    expect(lines).toHaveLength(9)
    const numbers = lines.map((l) => l.split(',').map(Number))
    expect(numbers[8][0]).toBeCloseTo(0.9, 12)
    // first order grows in proportion; second order more and more
    expect(numbers[8][1] / numbers[0][1]).toBeCloseTo(9, 9)
    expect(numbers[8][2]).toBeGreaterThan(5 * numbers[8][1])
  })
  it('varies a quantity of the statement by its path, as JSON', () => {
    const { documents } = sweep(
      ...['--vary', 'loadCases[0].loads[0].fy', '--values', '-46 kN, -92 kN, -400 kN'],
      ...['--read', 'load-factor', '--read', 'maximum:moment:AB', '--format', 'json'],
    )
    const [one, two, three] = documents[0].steps as {
      value: number
      reason?: string
      read: Record<string, { order2: number | null }>
    }[]
    expect(one.value).toBe(-46)
    expect(one.read['load-factor'].order2).toBeCloseTo(3.412259691157622, 8)
    expect(two.read['load-factor'].order2).toBeLessThan(3)
    expect(three.reason).toContain('buckles')
    expect(three.read['maximum:moment:AB'].order2).toBeNull()
  })
  it.each([
    [['--vary', 'Q', '--read', 'load-factor'], /no symbol/],
    [['--vary', 'factor', '--read', 'twist:A'], /cannot be read/],
    [['--vary', 'factor', '--to', '3 kN', '--read', 'load-factor'], /--to/],
    [['--vary', 'factor'], /what to read/],
    [['--vary', 'factor', '--steps', '0', '--read', 'load-factor'], /whole number/],
  ] as [string[], RegExp][])('%j is refused by name', (args, words) => {
    const r = sweep(...args)
    expect(r.status).toBe(2)
    expect(r.stderr).toMatch(words)
  })
})

describe('viga influence', () => {
  const moment = '{"quantity":"moment","member":"AB","at":"40%"}'
  it('prints a line for each quantity, at stations of the members named', () => {
    const { status, documents } = viga([
      'influence',
      file('lily-walkway'),
      ...['--of', moment, '--of', '{"quantity":"shear","member":"AB","at":"50%"}'],
      ...['--along', 'AB BC', '--stations', '3'],
    ])
    expect(status).toBe(0)
    const { format, lines } = documents[0] as unknown as {
      format: string
      lines: { quantity: object; members: Record<string, { x: number; value: number }[]> }[]
    }
    expect(format).toBe('viga-influence')
    expect(lines.map((l) => l.quantity)).toEqual([
      { quantity: 'moment', member: 'AB', at: '40%' },
      { quantity: 'shear', member: 'AB', at: '50%' },
    ])
    const [start, ...rest] = lines[1].members.AB
    expect(start).toEqual({ x: 0, value: 0 })
    // the shear jumps by the unit force where it passes
    expect(rest[1].value - rest[0].value).toBeCloseTo(1, 12)
    expect(Object.keys(lines[0].members)).toEqual(['AB', 'BC'])
  })
  it.each([
    [['--of', '{'], /not valid JSON/],
    [['--of', '{"quantity":"moment","member":"ZZ","at":0}'], /no member ZZ/],
    [['--of', moment, '--along', 'AB ZZ'], /no member ZZ/],
    [['--of', moment, '--direction', 'up'], /direction/],
    [[], /--of/],
  ])('%j is refused with a sentence', (args, words) => {
    const { status, stderr, documents } = viga(['influence', file('lily-walkway'), ...args])
    expect([status, documents[0].format]).toEqual([2, 'viga-error'])
    expect(stderr).toMatch(words)
  })
})

describe('what is asked for and cannot be', () => {
  const palm = file('palm-house')
  it.each([
    [['solve'], /usage|FILE/i],
    [['solve', 'no-such-file.viga.json'], /no-such-file/],
    [['solve', palm, '--stations', 'many'], /stations/i],
    [['figure', palm, '--show', 'Q'], /Q|show/],
    [['figure', palm, '--case', 'nobody'], /nobody/],
    [['frobnicate', palm], /frobnicate|usage/i],
  ])('%j ends with a sentence and a status that is not 0', (args, words) => {
    const { status, stderr, stdout } = viga(args)
    expect(status).not.toBe(0)
    expect(stderr + stdout).toMatch(words)
    // a sentence, not the inside of the program
    expect(stderr).not.toMatch(/\n\s+at .*\.js/)
  })
})

describe('viga work', () => {
  it('lists the methods for a problem', () => {
    const { status, documents } = viga(['work', file('palm-house')])
    expect(status).toBe(0)
    expect(documents[0]).toMatchObject({ format: 'viga-methods', version: 1 })
  })
  it('writes a problem out by one of them, as Markdown, LaTeX or JSON', () => {
    const by = ['work', file('orchid-balcony'), '--method', 'stiffness']
    expect(viga(by).stdout).toMatch(/^# .*\n[^]*## 1 Idealisation/)
    expect(viga([...by, '--as', 'tex']).stdout).toContain('\\documentclass')
    const { documents } = viga([...by, '--as', 'json', '--case', 'soil'])
    expect(documents[0]).toMatchObject({ format: 'viga-work', method: 'stiffness', case: 'soil' })
  })
  it('names the methods where it is asked for another, and the case that is not there', () => {
    const other = viga(['work', file('orchid-balcony'), '--method', 'tea-leaves'])
    expect([other.status, other.documents[0].kind]).toEqual([2, 'invalid'])
    expect(other.stderr).toMatch(/the methods are stiffness/)
    expect(viga(['work', file('orchid-balcony'), '--method', 'stiffness', '--case', 'none']).status).toBe(2)
  })
  it('answers line by line, errors among them', () => {
    const lines = `${JSON.stringify(JSON.parse(text('orchid-balcony')))}\n{}\n`
    const { status, documents } = viga(['work', '--lines', '--method', 'stiffness'], lines)
    expect(status).toBe(0)
    expect(documents.map((d) => d.format)).toEqual(['viga-work', 'viga-error'])
  })
})

describe('viga work with a displacement or redundants', () => {
  const worked = (name: string, ...args: string[]) => viga(['work', file(name), '--as', 'json', ...args])
  const values = (documents: unknown[]) =>
    (documents[0] as { values: { node?: string; value: number }[] }).values
  it('finds the displacement that is asked for, of an indeterminate problem with its forces given', () => {
    const of = '{"quantity":"displacement","node":"D","component":"x"}'
    const { status, documents } = worked(
      'palm-house',
      '--method',
      'unit-load',
      '--of',
      of,
      '--given',
      'results',
    )
    expect(status).toBe(0)
    expect(values(documents)[0].value).toBeCloseTo(0.0059979, 7)
    expect(worked('palm-house', '--method', 'unit-load', '--of', of).status).toBe(1)
  })
  it('takes the redundants that are stated', () => {
    const redundants = '[{"quantity":"moment","member":"BC","at":"100%"}]'
    const { documents } = worked('palm-house', '--method', 'forces', '--redundants', redundants)
    expect(values(documents)[0]).toMatchObject({ member: 'BC', value: expect.closeTo(15.0324, 4) as number })
  })
  it.each([
    [['--method', 'unit-load', '--of', '{'], 2, /not valid JSON/],
    [
      ['--method', 'unit-load', '--of', '{"quantity":"moment","member":"AB","at":0}'],
      2,
      /finds a displacement/,
    ],
    [
      ['--method', 'forces', '--redundants', '[{"quantity":"reaction","node":"A","component":"y"}]'],
      1,
      /determinate/,
    ],
  ])('%j ends with %i', (args, expected, words) => {
    const { status, stderr } = worked('palm-house', ...args)
    expect([status, stderr]).toEqual([expected, expect.stringMatching(words)])
  })
  it('needs a displacement where none is among the answers', () => {
    const bare = JSON.stringify({ ...(JSON.parse(text('potting-bench')) as object), answers: [] })
    const { status, stderr } = viga(['work', '-', '--method', 'unit-load'], bare)
    expect([status, stderr]).toEqual([2, expect.stringMatching(/needs a displacement/)])
  })
})

describe('viga mark', () => {
  const attempt = (answers: unknown) =>
    JSON.stringify({ format: 'viga-attempt', version: 1, id: 's1', answers })
  it('marks one attempt a line, in order, and goes on after one that cannot be read', () => {
    const { answers } = JSON.parse(text('palm-house')) as { answers: unknown[] }
    const lines = [attempt(answers), 'not an attempt', attempt([])].join('\n')
    const { status, documents } = viga(['mark', file('palm-house'), '--lines'], lines)
    expect(status).toBe(0)
    expect(documents.map((d) => d.format)).toEqual(['viga-marked', 'viga-error', 'viga-marked'])
    expect(documents[0]).toMatchObject({ id: 's1', marks: answers.length, of: answers.length })
    expect(documents[2]).toMatchObject({ marks: 0, of: answers.length })
  })
  it('says what is wrong with the key', () =>
    expect(viga(['mark', '/nowhere.json', '--lines'], '').status).toBe(2))
})
