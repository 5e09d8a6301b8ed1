import { describe, expect, it } from 'vitest'
import { createMarker, workWithSystem } from '../../src/index.js'
import { METHODS } from '../../src/methods/list.js'
import { stepsOf } from '../../src/methods/ledger.js'
import { loadedSpans } from '../builder.js'

// with loads on both spans moment distribution and slope–deflection have several steps
const { problem } = loadedSpans
const { solved } = workWithSystem(problem)
const mark = createMarker(problem, solved!)

interface Entry {
  id: string
  verdict: string
  from?: string[]
  computed: number
}
const judged = (entries: object[]) => (mark({ answers: [], entries }) as { entries: Entry[] }).entries
const entry = (id: string, address: string, value: number, method = 'stiffness') => ({
  ...{ id, method, address, value, tolerance: '0.01%' },
})

describe('entries of a working', () => {
  // L of AB 6 m, so 12EI/L³ and the like follow from a length that was read wrongly
  it('follow from the wrong values of the attempt that they are made of', () => {
    const computed = judged([entry('k', 'k/AB/2/2', 0)])[0].computed
    const wrong = computed * (6 / 5) ** 3
    const [L, k] = judged([entry('L', 'L/AB', 5), entry('k', 'k/AB/2/2', wrong)])
    expect(L.verdict).toBe('differs')
    expect(k).toMatchObject({ verdict: 'follows', from: ['L'], computed })
  })

  it('differ where they are not what the wrong values give, and follow in any order of the list', () => {
    const computed = judged([entry('k', 'k/AB/2/2', 0)])[0].computed
    const [right, k] = judged([entry('L', 'L/AB', 6), entry('k', 'k/AB/2/2', computed * 1.5)])
    expect([right.verdict, k.verdict]).toEqual(['agrees', 'differs'])
    const [k2, L2] = judged([entry('k', 'k/AB/2/2', computed * (6 / 5) ** 3), entry('L', 'L/AB', 5)])
    expect([k2.verdict, L2.verdict]).toEqual(['follows', 'differs'])
  })

  it('follow through a chain, each from the nearest values that were given', () => {
    const k = judged([entry('k', 'k/AB/2/2', 0)])[0].computed
    const K = judged([entry('g', 'global/AB/2/2', 0)])[0].computed
    const by = (6 / 5) ** 3
    const all = judged([
      entry('L', 'L/AB', 5),
      entry('k', 'k/AB/2/2', k * by),
      entry('g', 'global/AB/2/2', K * by),
    ])
    expect(all.map((e) => e.verdict)).toEqual(['differs', 'follows', 'follows'])
    expect(all[2].from).toEqual(['k'])
  })

  it.each(['slope-deflection', 'moment-distribution', 'forces'])('are found in %s as well', (key) => {
    const method = METHODS.find((m) => m.key === key)!
    const { structure, cases } = solved!.solution
    const book = method.open({
      ...{ problem, structure, action: cases[0].id },
      solved: () => ({ solution: solved!.solution, action: cases[0] }),
    })
    const lines = stepsOf(book).flatMap((s) =>
      s.passages.flatMap((p) => p.blocks.flatMap((b) => (b.kind === 'lines' ? b.addresses : []))),
    )
    const own = lines.filter((a) => book.origin(a).origin.kind === 'formula' && book.entry(a)!.value !== 0)
    expect(own.length).toBeGreaterThan(3)
    const [first] = judged([entry('e', own[0], book.entry(own[0])!.value, key)])
    expect(first.verdict).toBe('agrees')
  })
})
