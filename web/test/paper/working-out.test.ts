import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { edit, working, type Problem } from '@viga/core'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { formulaBox } from '@viga/paper/math'
import { workingAs } from '../../app/server/working-out.server'
import { setText } from '@viga/paper/set-text'
import { blank, type Doc, type Face } from '@viga/paper/type'
import { frame, truss } from '../../../core/test/builder'
import { beam } from '../problems'

const folder = join(import.meta.dirname, '../../database/demo')
const demo = readdirSync(folder).map((f): [string, Problem] => [
  f,
  JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem,
])
const bytes = async (p: Problem, form: string, id: string | null = null) => {
  const out = await workingAs(p, { form, caseId: id })
  if ('message' in out) throw new Error(out.message)
  return out
}

vi.mock('@viga/paper/set-text', { spy: true })
const { setText: real } = await vi.importActual<{ setText: typeof setText }>('@viga/paper/set-text')

/** Hears of every run of text that is set on paper. */
const heard = (hear: (doc: Doc, text: string, face: Face, x: number) => void) =>
  vi.mocked(setText).mockImplementation((doc, text, face, size, colour, x, y) => {
    hear(doc, text, face, x)
    real(doc, text, face, size, colour, x, y)
  })

afterEach(() => void vi.restoreAllMocks())

/** A portal, a truss and a beam of equal spans: each method fits one of them. */
const OF_METHODS: Problem[] = [
  frame()
    .node('A', 0, 0)
    .node('B', 0, 4)
    .node('C', 6, 4)
    .node('D', 6, 0)
    .member('A', 'B')
    .member('B', 'C')
    .member('D', 'C')
    .support('A', 'fixed')
    .support('D', 'fixed')
    .load({ type: 'nodal', node: 'B', fx: 20 })
    .set({ analysis: { neglectAxial: true } }).problem,
  truss()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .node('C', 2, 3)
    .node('D', 6, 3)
    .member('A', 'B')
    .member('A', 'C')
    .member('B', 'C')
    .member('C', 'D')
    .member('B', 'D')
    .support('A', 'pin')
    .support('B', 'roller')
    .load({ type: 'nodal', node: 'D', fx: 3, fy: -9 }).problem,
  frame()
    .node('A', 0, 0)
    .node('B', 4, 0)
    .node('C', 8, 0)
    .member('A', 'B')
    .member('B', 'C')
    .support('A', 'pin')
    .support('B', { type: 'roller' })
    .support('C', 'roller')
    .load(
      ...['AB', 'BC'].map((member) => ({
        type: 'distributed' as const,
        member,
        direction: 'Y' as const,
        q: -9,
      })),
    ).problem,
]

describe('the whole working on paper', () => {
  it.each(demo)('%s: every sign is in its typeface, nothing stands beside the page', async (_, problem) => {
    const lacking = new Set<string>()
    let [outside, words] = [0, 0]
    type Inner = {
      _font: { font: { hasGlyphForCodePoint(c: number): boolean } }
      _ctm: number[]
    }

    heard((doc, text, face, x) => {
      const inner = doc.font(face) as unknown as Inner
      for (const c of text)
        if (!inner._font.font.hasGlyphForCodePoint(c.codePointAt(0)!)) lacking.add(`${c} in ${face}`)
      words++
      // the figure has axes of its own
      if (inner._ctm[0] === 1 && inner._ctm[4] === 0 && (x < 0 || x > 600)) outside++
    })
    const { body, type, name } = await bytes(problem, 'pdf')
    expect(words).toBeGreaterThan(200)
    expect([...lacking]).toEqual([])
    expect(outside).toBe(0)
    expect(type).toBe('application/pdf')
    expect(name).toMatch(/^[\p{L}\p{N}-]+-working\.pdf$/u)
    expect(body.subarray(0, 5).toString()).toBe('%PDF-')
    expect((body.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length).toBeGreaterThan(4)
  })

  it('has every sign of every method in its typeface', async () => {
    const lacking = new Set<string>()
    heard((doc, text, face) => {
      const inner = doc.font(face) as unknown as {
        _font: { font: { hasGlyphForCodePoint(c: number): boolean } }
      }
      for (const c of text)
        if (!inner._font.font.hasGlyphForCodePoint(c.codePointAt(0)!)) lacking.add(`${c} in ${face}`)
    })
    const printed = new Set<string>()
    for (const problem of OF_METHODS)
      for (const method of working.METHODS) {
        const out = await workingAs(problem, { form: 'pdf', caseId: null, method: method.key })
        if (!('message' in out)) printed.add(method.key)
      }
    expect([...printed].sort()).toEqual(working.METHODS.map((m) => m.key).sort())
    expect([...lacking]).toEqual([])
  })

  it('ends with diagrams and tables of the results; in second order on the bent shape', async () => {
    const [, post] = demo.find(([f]) => f.includes('arbor-post'))!
    const said: string[] = []
    heard((_, text) => said.push(text.trim()))
    await bytes(post, 'pdf')
    const results = said.slice(said.lastIndexOf('Diagrams'))
    for (const title of ['Reactions', 'Member', 'Extremes', 'Displacements']) expect(results).toContain(title)
    // the largest moment of the post is 1.800 in first order, 5.466 on the bent shape
    expect(results.slice(results.indexOf('Extremes')).join(' ')).toContain('5.466')
    expect(said.slice(0, said.indexOf('Second')).join(' ')).toContain('1.8')
  })

  const pagesOf = ({ body }: { body: Buffer | string }) =>
    (body.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length

  it('has a short form with k, K, P, D, reactions: four pages, five with K in two parts', async () => {
    for (const [name, problem] of demo) {
      const said: string[] = []
      heard((_, text) => said.push(text.trim()))
      const short = await bytes(problem, 'short')
      // a K of more than twelve columns stands in two parts
      const most = /pergola|seed-store/.test(name) ? 5 : 4
      expect([name, pagesOf(short) <= most]).toEqual([name, true])
      expect(pagesOf(short)).toBeLessThan(pagesOf(await bytes(problem, 'pdf')))
      for (const word of ['Stiffness', 'Displacements', 'Reactions']) expect(said).toContain(word)
    }
  })

  it('holds every case and combination in one report, the structure once', async () => {
    const [, problem] = demo[0]
    const said: string[] = []
    heard((_, text) => said.push(text.trim()))
    await bytes(problem, 'all')
    const all = said.join(' ')
    for (const { title, id } of [...problem.loadCases!, ...problem.combinations!])
      expect(all.replace(/\s+/g, ' ')).toContain(title ?? id)
    expect(said.filter((t) => t === 'Assembly')).toHaveLength(1)
    expect(said.filter((t) => t === 'Solution').length).toBe(
      problem.loadCases!.length + problem.combinations!.length,
    )
  })

  it('comes as LaTeX and Markdown too, of the case asked for', async () => {
    const [, problem] = demo[0]
    const combination = problem.combinations![0].id
    expect((await bytes(problem, 'markdown', combination)).body.toString()).toContain(
      `Case: ${problem.combinations![0].title}`,
    )
    expect((await bytes(problem, 'latex')).body.toString()).toContain('\\documentclass')
    expect((await bytes(problem, 'latex')).name).toMatch(/\.tex$/)
  })

  it('is refused with a sentence where there is none', async () => {
    const [, problem] = demo[0]
    expect(await workingAs(problem, { form: 'docx', caseId: null })).toMatchObject({ status: 404 })
    expect(await workingAs(problem, { form: 'toString', caseId: null })).toMatchObject({ status: 404 })
    expect(await workingAs(problem, { form: 'pdf', caseId: 'nobody' })).toMatchObject({
      status: 404,
      message: 'There is no case nobody.',
    })
    expect(await workingAs({ ...beam, supports: [] }, { form: 'pdf', caseId: null })).toMatchObject({
      status: 400,
    })
    const long = Array.from({ length: 160 }, (_, i) => i + 9).reduce((p, x) => edit.addNode(p, x, 0), beam)
    const many = {
      ...long,
      members: long.nodes.slice(1).map((n, i) => ({
        id: `m${i}`,
        start: long.nodes[i].id,
        end: n.id,
        material: 'steel',
        section: 'default',
      })),
    }
    expect(await workingAs(many, { form: 'pdf', caseId: null })).toMatchObject({
      status: 400,
      message: expect.stringContaining('hundreds of pages') as string,
    })
  })
})

describe('mathematics on paper', () => {
  const doc = blank('test')
  const letter = (name: string, value: number) =>
    ({ t: 'letter', symbol: { letter: name }, value, address: name }) as const
  it('sets a fraction as high as its parts, a power above its base, brackets round a sum', () => {
    const [a, b] = [letter('a', 2), letter('b', -3)]
    const plain = formulaBox(doc, a, 'letters')
    const fraction = formulaBox(doc, { t: 'quotient', over: a, under: b }, 'letters')
    expect(fraction.up + fraction.down).toBeGreaterThan(2 * (plain.up + plain.down))
    const power = formulaBox(doc, { t: 'power', base: a, exponent: 2 }, 'letters')
    expect(power.up).toBeGreaterThan(plain.up)
    const product = formulaBox(doc, { t: 'product', factors: [a, { t: 'sum', terms: [a, b] }] }, 'letters')
    const sum = formulaBox(doc, { t: 'sum', terms: [a, b] }, 'letters')
    expect(product.w).toBeGreaterThan(plain.w + sum.w + 6)
    // a negative number put in for a letter stands in brackets
    expect(formulaBox(doc, { t: 'product', factors: [a, b] }, 'numbers').up).toBeGreaterThan(
      formulaBox(doc, { t: 'product', factors: [a, a] }, 'numbers').up,
    )
  })
})
