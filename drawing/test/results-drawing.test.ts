import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import {
  displayOf,
  freeBody,
  memberPart,
  OWN_SIGNS,
  wholePart,
  work,
  working,
  type Problem,
  type Signs,
} from '@viga/core'
import { boundsOf } from '../src/bounds'
import { envelopeShown } from '../src/envelope-diagram'
import { figurePicture, firstView, layersOf, SHOWN } from '../src/figure-file'
import { drawFreeBody } from '../src/free-body'
import { PAPER_INKS } from '../src/inks'
import { barrier, cut } from '../src/label-boxes'
import { vec } from '../src/marks'
import { drawScene, type SceneInput } from '../src/scene'
import { pictureSvg } from '../src/svg'
import { isLevelBeam } from '../src/together'

const folder = join(import.meta.dirname, '../../web/database/demo')
const demo = readdirSync(folder).map((f): [string, Problem] => [
  f,
  JSON.parse(readFileSync(join(folder, f), 'utf8')) as Problem,
])
const named = (part: string) => demo.find(([f]) => f.includes(part))![1]

function solved(problem: Problem) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error('a demo problem is solved')
  return outcome.solution
}

function scene(problem: Problem, shown: Parameters<typeof layersOf>[0], more: Partial<SceneInput> = {}) {
  const solution = solved(problem)
  const { structure } = solution
  const layers = layersOf(shown, problem.kind === 'truss')
  const view = firstView(structure, layers, 704, 664)
  return drawScene({
    structure,
    view,
    layers,
    loads: [],
    display: displayOf(problem),
    solved: { ...working.numbered(solution, problem), action: solution.cases[0] },
    enlarge: 0,
    enveloped: envelopeShown(layers, solution),
    ...more,
  })
}

/** The y of every point of the outline of a member's diagram. */
const heights = (s: ReturnType<typeof scene>, key: string) =>
  s.groups
    .filter((g) => g.key === key)
    .flatMap((g) => g.marks.flatMap((m) => (m.t === 'path' && m.width === 1.35 ? [m.d] : [])))
    .flatMap((d) => [...d.matchAll(/[ML][-\d.]+ ([-\d.]+)/g)].map((m) => Number(m[1])))

describe('sign conventions on the drawing', () => {
  const signs = (change: Partial<Signs>): Signs => ({ ...OWN_SIGNS, ...change })
  const beam = named('bog-boardwalk')
  it.each([
    ['M', { momentSide: 'compression' }],
    ['V', { shear: 'left-down' }],
  ] as const)('%s stands on the other side under %j', (key, change) => {
    const [own, other] = [{}, change].map((c) => heights(scene(beam, [key], { signs: signs(c) }), 'd0'))
    const axis = own[0]
    expect(own.some((y) => Math.abs(y - axis) > 5)).toBe(true)
    own.forEach((y, i) => expect(other[i] - axis).toBeCloseTo(axis - y, 1))
  })
  it('a moment that counts as negative is still drawn on its side', () => {
    const [own, other] = [{}, { moment: 'hogging' } as const].map((c) =>
      heights(scene(beam, ['M'], { signs: signs(c) }), 'd0'),
    )
    expect(other).toEqual(own)
  })
})

describe('a value of a diagram', () => {
  it('is the same mark and the same label while an edit moves its place', () => {
    const keysWith = (x: number) => {
      const problem = structuredClone(named('palm-house'))
      problem.nodes.find((n) => n.id === 'C')!.x = x
      const { groups, labels } = scene(problem, ['M'])
      return [groups, labels].map((all) => all.map(({ key }) => key))
    }
    expect(keysWith(7.1)).toEqual(keysWith(7))
    for (const keys of keysWith(7)) expect(new Set(keys).size).toBe(keys.length)
  })
})

describe('N, V and M together', () => {
  it('stand below a beam on base lines of their own, without an axial force that is zero throughout', () => {
    const beam = named('potting-bench')
    expect(isLevelBeam(solved(beam).structure)).toBe(true)
    const s = scene(beam, ['all'])
    expect(s.groups.filter((g) => g.key.startsWith('base')).map((g) => g.key)).toEqual(['baseV', 'baseM'])
    expect(s.panels).toBe(false)
  })
  it('of a frame are three pictures with their own labels', () => {
    const s = scene(named('palm-house'), ['all'])
    expect(s.panels).toBe(true)
    for (const key of ['N', 'V', 'M'])
      expect(s.labels.some((l) => l.key === `title${key}` && l.mark.text === key)).toBe(true)
    expect(new Set(s.groups.map((g) => g.key)).size).toBe(s.groups.length)
  })
})

describe('an envelope', () => {
  it('has two curves for each member and names the governing cases', () => {
    const s = scene(named('palm-house'), ['M', 'envelope'])
    const group = s.groups.find((g) => g.key === 'e0')!
    expect(group.marks.filter((m) => m.t === 'path' && m.dash).length).toBe(1)
    expect(s.labels.some((l) => l.mark.aside === 'U1')).toBe(true)
  })
})

describe('points of zero moment and shear', () => {
  it('are marked with their distance from the start of the member', () => {
    const s = scene(named('orchid-balcony'), ['M', 'zeros'])
    expect(s.labels.filter((l) => l.key.startsWith('zerow')).map((l) => l.mark.text)).toEqual(['1.26 m'])
  })
})

describe('a second result', () => {
  it('is drawn over the first in a dashed line and in the same scale', () => {
    const beam = named('potting-bench')
    const solution = solved(beam)
    const s = scene(beam, ['M'], { compared: { solution, action: solution.cases[1] } })
    const [first, second] = ['d0', 'second0'].map((k) => s.groups.find((g) => g.key === k)!)
    expect(second.marks).toHaveLength(1)
    expect(first.marks.length).toBeGreaterThan(1)
    const deflected = scene(beam, ['deflected'], { compared: { solution, action: solution.cases[1] } })
    expect(deflected.groups.some((g) => g.key.startsWith('secondf'))).toBe(true)
  })
  it('keeps the values of the first off its lines', () => {
    const portal = named('palm-house')
    const solution = solved(portal)
    const s = scene(portal, ['M'], { compared: { solution, action: solution.combinations[0] } })
    const lines = s.groups
      .filter((g) => g.key.startsWith('second'))
      .flatMap((g) => g.marks.flatMap((m) => (m.t === 'path' ? [m.d] : [])))
      .flatMap((d) => {
        const points = [...d.matchAll(/([-\d.]+) ([-\d.]+)/g)].map(([, x, y]) => vec(Number(x), Number(y)))
        return points.slice(1).map((b, i) => barrier({ a: points[i], b, half: 0.7 }))
      })
    expect(lines.length).toBeGreaterThan(20)
    const struck = s.labels.filter((l) => lines.some((line) => cut(l.box, line, 0) > 0))
    expect(struck.map((l) => l.mark.text)).toEqual([])
  })
})

describe('a free body', () => {
  const problem = named('palm-house')
  const solution = solved(problem)
  const view = firstView(solution.structure, layersOf([]), 704, 664)
  const draw = (part: ReturnType<typeof wholePart>) =>
    drawFreeBody({
      structure: solution.structure,
      part,
      forces: freeBody(solution, solution.cases[0], part),
      view,
      display: displayOf(problem),
    })
  it('of the whole shows loads and reactions with their amounts, and every member in full ink', () => {
    const s = draw(wholePart(solution))
    expect(s.labels.map((l) => l.mark.text)).toEqual(expect.arrayContaining(['6.645', '21.67']))
    expect(s.groups.filter((g) => g.key.startsWith('piece'))).toHaveLength(solution.structure.members.length)
  })
  it('of a member has N, V and M at its ends', () => {
    const words = draw(memberPart(solution, 1)).labels.map((l) => l.mark.text)
    expect(words).toEqual(expect.arrayContaining(['12.81', '15.23', '34.55', '6.222', '2.333', '15.03']))
  })
})

describe('a figure as a file', () => {
  it.each(demo)('%s: everything drawn lies within the cropped picture', (_, problem) => {
    const solution = solved(problem)
    for (const shown of SHOWN) {
      const picture = figurePicture(problem, solution.structure, solution, {
        shown: [shown],
        captioned: true,
      })!
      const b = boundsOf(picture.groups, picture.labels)!
      expect(b).toEqual(picture.bounds)
      for (const { box } of picture.labels) {
        expect(box.x - box.w / 2).toBeGreaterThanOrEqual(b.x)
        expect(box.y + box.h / 2).toBeLessThanOrEqual(b.y + b.height)
      }
    }
  })
  it('is an SVG document with escaped words, no colours of the page and its caption below', () => {
    const problem = { ...named('palm-house'), title: 'A & <B>' }
    const solution = solved(problem)
    const picture = figurePicture(problem, solution.structure, solution, {
      shown: ['loads'],
      captioned: true,
    })!
    const svg = pictureSvg(picture, { inks: PAPER_INKS })
    expect(svg).toContain('A &amp; &lt;B&gt;')
    expect(svg).not.toContain('var(--')
    const [, width, height] = /width="([\d.]+)" height="([\d.]+)"/.exec(svg)!.map(Number)
    expect(width).toBeCloseTo(picture.bounds.width, 1)
    expect(height).toBeGreaterThan(picture.bounds.height)
  })
})

describe('the bounds of a picture', () => {
  it('hold circles and arcs as well as lines', () => {
    const path = (d: string) => ({ t: 'path' as const, d })
    const group = { key: 'g', marks: [path('M10 20a5 5 0 1 0 10 0a5 5 0 1 0 -10 0Z'), path('M0 0L4 30')] }
    expect(boundsOf([group], [])).toEqual({ x: -10, y: -10, width: 40, height: 50 })
    expect(boundsOf([], [])).toBeUndefined()
  })
})

/** Two storeys of 3.5 m, a bay of 5 m, loaded from above and from the left. */
const storeys: Problem = {
  format: 'viga-problem',
  version: 1,
  title: 'Two storeys',
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  materials: [{ id: 'm', E: '200 GPa' }],
  sections: [{ id: 's', A: '80 cm^2', I: '8000 cm^4' }],
  nodes: ['ABC', 'DEF'].flatMap((ids, i) => [...ids].map((id, k) => ({ id, x: 5 * i, y: 3.5 * k }))),
  members: ['AB', 'BC', 'DE', 'EF', 'BE', 'CF'].map((id) => ({
    id,
    start: id[0],
    end: id[1],
    material: 'm',
    section: 's',
  })),
  supports: [
    { node: 'A', type: 'fixed' },
    { node: 'D', type: 'fixed' },
  ],
  loadCases: [
    {
      id: '1',
      loads: [
        { type: 'distributed', member: 'BE', direction: 'Y', q: -12 },
        { type: 'distributed', member: 'CF', direction: 'Y', q: -8 },
        { type: 'nodal', node: 'B', fx: 40 },
        { type: 'nodal', node: 'C', fx: 30 },
      ],
    },
  ],
}

describe('the value of a moment', () => {
  it.each([['two storeys', storeys] as const, ...demo.filter(([, p]) => p.kind === 'frame')])(
    '%s: stands beside its own member on the side of its diagram, or beyond its end',
    (_, p) => {
      const solution = solved(p)
      const { structure } = solution
      const view = firstView(structure, layersOf(['M']), 704, 664)
      for (const label of scene(p, ['M']).labels) {
        const [, index, role] = /^w(\d+)\.(start|end)$/.exec(label.key) ?? []
        if (role === undefined || label.mark.text === '0') continue
        const m = structure.members[Number(index)]
        const M = solution.cases[0].forces[6 * Number(index) + (role === 'start' ? 2 : 5)]
        const n = structure.nodes[m.start]
        const [dx, dy] = [
          label.mark.x - view.ox - view.scale * n.x,
          label.mark.y - view.oy + view.scale * n.y,
        ]
        const along = (dx * m.cos - dy * m.sin) / (view.scale * m.length)
        const up = -dx * m.sin - dy * m.cos
        // sagging moments, the fibres below in tension, are drawn below: a start moment of −M on the member
        const sagging = role === 'start' ? -M : M
        if (along >= 0 && along <= 1) expect(Math.sign(up), `${m.id} ${role}`).toBe(-Math.sign(sagging))
      }
    },
  )
})

it('the forces of slanted bars are written beside them where there is room', () => {
  const p = named('fern')
  const texts = scene(p, ['N']).labels.filter((l) => l.key.startsWith('nw'))
  expect(texts).toHaveLength(p.members.length)
})
