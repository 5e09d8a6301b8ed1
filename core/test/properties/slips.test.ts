import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  answerAt,
  checkDocument,
  work,
  workWithSystem,
  type Answer,
  type AnswerPlace,
  type Load,
  type Member,
  type Problem,
  type Support,
} from '../../src/index.js'
import { computedValues } from '../../src/checking/slips/values.js'
import { anyFrame } from './any-frame.js'

/**
 * Sheets of hand values from random frames with one slip, or none. The slip is made in the statement, which
 * is solved as any other: nothing of the search for slips has a part in it.
 */

const SAMPLES = 70

/** A load with every amount multiplied. */
function times(load: Load, factor: number): Load {
  const amounts = ['fx', 'fy', 'm', 'q', 'uniform', 'gradient', 'slip', 'kink'] as const
  const out: Record<string, unknown> = { ...load }
  for (const key of amounts) if (typeof out[key] === 'number') out[key] = factor * out[key]
  if (Array.isArray(out.points))
    out.points = (out.points as { at: string; q: number }[]).map((p) => ({ ...p, q: factor * p.q }))
  return out as unknown as Load
}

const withLoads = (p: Problem, change: (loads: Load[]) => Load[]): Problem => ({
  ...p,
  loadCases: p.loadCases!.map((c) => ({ ...c, loads: change([...(c.loads ?? [])]) })),
})
const withLoad = (p: Problem, at: number, change: (l: Load) => Load[]): Problem =>
  withLoads(p, (loads) => loads.flatMap((l, i) => (i === at ? change(l) : [l])))
const withSupports = (p: Problem, change: (s: Support) => Support): Problem => ({
  ...p,
  supports: p.supports?.map(change),
})
const withMembers = (p: Problem, change: (m: Member) => Member): Problem => ({
  ...p,
  members: p.members.map(change),
})
const hinged = (m: Member) => m.releases?.end?.M === true

/** A statement with the slip, or undefined where the frame gives no room for it. */
type Slip = (p: Problem, pick: number) => Problem | undefined

const loadCount = (p: Problem) => p.loadCases![0].loads.length
const onLoad =
  (change: (l: Load) => Load[] | undefined): Slip =>
  (p, pick) => {
    const at = pick % loadCount(p)
    const made = change(p.loadCases![0].loads[at])
    return made && withLoad(p, at, () => made)
  }

const SLIPS: Record<string, Slip> = {
  'load-sign': onLoad((l) => [times(l, -1)]),
  'load-doubled': onLoad((l) => [times(l, 2)]),
  'load-factor': onLoad((l) => [times(l, 10)]),
  'load-left-out': onLoad(() => []),
  'load-from-other-end': onLoad((l) =>
    l.type === 'point' ? [{ ...l, at: `${100 - parseFloat(String(l.at))}%` }] : undefined,
  ),
  support: (p, pick) => {
    const last = p.supports![p.supports!.length - 1]
    const taken = (['fixed', 'pin', 'roller'] as const).filter((t) => t !== last.type)[pick % 2]
    return withSupports(p, (s) => (s === last ? { ...s, type: taken } : s))
  },
  'support-angle': (p) => {
    const last = p.supports![p.supports!.length - 1]
    if (last.type !== 'roller' || Math.abs(parseFloat(String(last.angle))) < 5) return undefined
    return withSupports(p, (s) => (s === last ? { ...s, angle: 0 } : s))
  },
  'hinge-left-out': (p) =>
    p.members.some(hinged)
      ? withMembers(p, (m) => (hinged(m) ? { ...m, releases: undefined } : m))
      : undefined,
  'hinge-added': (p) =>
    p.members.some(hinged) || p.members.length < 2
      ? undefined
      : withMembers(p, (m) =>
          m.start === 'B'
            ? { ...m, releases: { start: { M: true } } }
            : m.end === 'B'
              ? { ...m, releases: { end: { M: true } } }
              : m,
        ),
}

/** What such a problem asks: every reaction, and the moments and shears at the ends of every member. */
const asked = (p: Problem): AnswerPlace[] => [
  ...(p.supports ?? []).flatMap((s) =>
    s.type === 'fixed'
      ? (['x', 'y', 'rotation'] as const).map((component) => ({
          quantity: 'reaction' as const,
          node: s.node,
          component,
        }))
      : (['x', 'y'] as const).map((component) => ({
          quantity: 'reaction' as const,
          node: s.node,
          component,
        })),
  ),
  ...p.members.flatMap((m) =>
    ['0%', '100%'].flatMap((at) =>
      (['moment', 'shear'] as const).map((quantity) => ({ quantity, member: m.id, at })),
    ),
  ),
]

/** The sheet of somebody who found the numbers of `found`, written with four figures. */
function sheetOf(p: Problem, found: Problem): Problem | undefined {
  const outcome = work(found)
  if (outcome.stage !== 'solved') return undefined
  const { solution } = outcome
  const answers = asked(p).flatMap((a, i): Answer[] => {
    const [value, other] = computedValues(found, solution, a) ?? []
    if (value === undefined || other !== undefined) return []
    return [{ id: `a${i + 1}`, ...answerAt(a, { value: Number((value / 1000).toPrecision(4)) }) }]
  })
  return { ...p, answers }
}

function judged(sheet: Problem) {
  const { solved } = workWithSystem(sheet)
  return solved && checkDocument(sheet, solved)
}

const amount = fc.integer({ min: 3, max: 20 }).chain((q) => fc.constantFrom(q, -q))
/** Loads as a textbook has them: whole numbers of like size, two or more. */
const someLoads = (members: readonly string[]) =>
  fc.array(
    fc
      .tuple(fc.constantFrom(...members), amount, amount, fc.integer({ min: 15, max: 45 }), fc.nat(2))
      .map(([member, q, r, at, kind]): Load => {
        if (kind === 0) return { type: 'nodal', node: 'B', fx: q, fy: r }
        if (kind === 1) return { type: 'point', member, at: `${at}%`, fy: q }
        return { type: 'distributed', member, direction: 'Y', q }
      }),
    { minLength: 2, maxLength: 4 },
  )

/** Coordinates to a tenth of a metre, as a drawing has them. */
const drawn = (p: Problem): Problem => ({
  ...p,
  nodes: p.nodes.map((n) => ({ ...n, x: Number(Number(n.x).toFixed(1)), y: Number(Number(n.y).toFixed(1)) })),
})

const frames = fc.sample(
  anyFrame
    .map(drawn)
    .chain((p) => someLoads(p.members.map((m) => m.id)).map((loads) => withLoads(p, () => loads))),
  SAMPLES,
)

describe('a slip in a random frame', () => {
  it.each(Object.keys(SLIPS))('%s is named first in nine sheets of ten', (kind) => {
    let [sheets, right] = [0, 0]
    frames.forEach((p, pick) => {
      const slipped = SLIPS[kind](p, pick)
      const sheet = slipped && sheetOf(p, slipped)
      const document = sheet && judged(sheet)
      // a slip that moves fewer than three values may be luck, and is then not told
      if (!document || document.score.differ < 3) return
      sheets++
      const [first, ...others] = document.explanations
      // of two slips with the same numbers either may come first
      const same = first?.leaves.length === 0 && others.some((e) => e.kind === kind)
      if (first?.kind === kind || same) right++
    })
    expect(sheets).toBeGreaterThan(4)
    expect(right / sheets).toBeGreaterThanOrEqual(0.9)
  })
})

describe('a sheet without a slip', () => {
  it('agrees throughout and is not explained', () => {
    for (const p of frames) {
      const sheet = sheetOf(p, p)
      const document = sheet && judged(sheet)
      expect(document?.score).toMatchObject({ differ: 0 })
      expect(document?.explanations).toEqual([])
    }
  })

  it('with values wrong at random is explained in at most one of fifty', () => {
    let explained = 0
    const tried = frames.slice(0, 50)
    tried.forEach((p, seed) => {
      const sheet = sheetOf(p, p)!
      const wrong = sheet.answers!.map((a, i) => {
        const chance = Math.abs(Math.sin(1 + 37 * seed + 91 * i))
        return chance < 0.5
          ? a
          : { ...a, value: Number((Number(a.value) * (0.3 + 2 * chance)).toPrecision(4)) }
      })
      if (judged({ ...sheet, answers: wrong })!.explanations.length > 0) explained++
    })
    expect(explained / tried.length).toBeLessThanOrEqual(0.02)
  })
})
