import { render } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { StructureMember } from '@viga/core'
import type { Placed } from '@viga/drawing/label-placement'
import { line, plus, vec, type Group, type Vec } from '@viga/drawing/marks'
import { fit, memberLine } from '@viga/drawing/view'
import { targetAt } from '../../app/figure/hand'
import { LargeScene } from '../../app/figure/LargeScene'
import { demo, solved } from '../demo'

const COUNT = 600
const members: Group[] = Array.from({ length: COUNT }, (_, i) => ({
  key: `m${i}`,
  target: `member:${i}`,
  hit: { d: `M${i} 0L${i} 9`, width: 16 },
  marks: [line(vec(i, 0), vec(i, 9), 'ink', 2.8)],
}))
const diagrams: Group[] = members.map((g, i) => ({
  key: `d${i}`,
  target: g.target,
  diagram: true,
  marks: [line(vec(i, 1), vec(i, 8), 'ink', 1.35)],
}))
const label: Placed = {
  key: 'j',
  target: 'node:A',
  off: vec(0, 0),
  mark: { t: 'text', x: 1, y: 2, text: 'A', size: 12, fill: 'ink' },
  box: { x: 0, y: 0, w: 1, h: 1 },
}

const scene = (lit: string[] = []) =>
  render(
    <svg>
      <LargeScene groups={[...diagrams, ...members]} labels={[label]} lit={new Set(lit)} />
    </svg>,
  ).container

describe('a drawing of many members', () => {
  it('has one path for all of them, and a place to point at for each', () => {
    const c = scene()
    expect(c.querySelectorAll('path:not(.hit)')).toHaveLength(2)
    expect(c.querySelectorAll('path.hit')).toHaveLength(COUNT)
    expect(c.querySelector('path.hit[data-target="member:7"]')!.getAttribute('d')).toBe('M7 0L7 9')
    expect(c.querySelectorAll('[data-diagram]')).toHaveLength(1)
    expect(c.querySelector('text')!.textContent).toBe('A')
  })

  it('draws what is pointed at once more, lit, with its diagram', () => {
    const lit = [...scene(['member:7', 'node:A']).querySelectorAll('.lit')]
    expect(lit.map((g) => g.getAttribute('data-target'))).toEqual(['member:7', 'member:7', 'node:A'])
    expect(lit[1].querySelector('path:not(.hit)')!.getAttribute('d')).toBe('M7 0L7 9')
  })
})

describe('another drawing of many members', () => {
  const drawn = (groups: Group[]) => (
    <svg>
      <LargeScene groups={groups} labels={[]} lit={new Set()} />
    </svg>
  )
  const seventh = (change: Partial<Group>) =>
    members.map((g, i) => (i === 7 ? { ...g, ...change } : { ...g, marks: [...g.marks] }))

  it('leaves the places to point at alone where they are the same', () => {
    const { container, rerender } = render(drawn(members))
    const before = [...container.querySelectorAll('path.hit')]
    rerender(drawn(seventh({})))
    expect([...container.querySelectorAll('path.hit')]).toEqual(before)
  })

  it('moves a place to point at with its member', () => {
    const { container, rerender } = render(drawn(members))
    const place = () => container.querySelectorAll('path.hit')[7]
    rerender(drawn(seventh({ hit: { d: 'M7 0L9 9', width: 16 } })))
    expect(place().getAttribute('d')).toBe('M7 0L9 9')
    rerender(drawn(seventh({ target: 'member:other' })))
    expect(place().getAttribute('data-target')).toBe('member:other')
    rerender(drawn(seventh({ hit: undefined })))
    expect(container.querySelectorAll('path.hit')).toHaveLength(COUNT - 1)
  })
})

describe('another diagram of many members', () => {
  const other: Group[] = diagrams.map((g, i) => ({ ...g, marks: [line(vec(i, 2), vec(i, 5), 'ink', 1.35)] }))
  const ofM = [...diagrams, ...members]
  const ofV = [...other, ...members]
  const drawn = (diagram: 'M' | 'V') => (
    <svg>
      <LargeScene
        groups={diagram === 'M' ? ofM : ofV}
        labels={[label]}
        lit={new Set()}
        diagram={diagram}
        ahead={[diagram === 'M' ? { diagram: 'V', groups: ofV } : { diagram: 'M', groups: ofM }]}
      />
    </svg>
  )
  const first = (g: Element) => g.querySelector('path')!.getAttribute('d')!.slice(0, 8)

  it('lies ready unseen and is shown with the same elements', () => {
    const { container: c, rerender } = render(drawn('M'))
    const seen = () => [...c.querySelectorAll('[data-diagram]')]
    const unseen = () => [...c.querySelectorAll('.unseen')]
    expect(seen().map(first)).toEqual(['M0 1L0 8'])
    expect(unseen().map(first)).toEqual(['M0 2L0 5'])
    const [M, V] = [seen()[0], unseen()[0]]
    rerender(drawn('V'))
    expect(seen()).toEqual([V])
    expect(unseen()).toEqual([M])
    expect([first(M), first(V)]).toEqual(['M0 1L0 8', 'M0 2L0 5'])
  })

  it('is drawn once, below the members', () => {
    const c = render(drawn('M')).container
    const paths = [...c.querySelectorAll('path:not(.hit)')].map((p) => p.getAttribute('d')!.slice(0, 8))
    expect(paths).toEqual(['M0 2L0 5', 'M0 1L0 8', 'M0 0L0 9'])
  })
})

describe('what is under the pointer', () => {
  const { structure } = solved(demo[0][1])
  const view = fit(structure.nodes, 700, 600, { left: 80, right: 80, top: 80, bottom: 80 })
  const at = (element: Element, p: Vec) => {
    const currentTarget = { clientWidth: 700, getBoundingClientRect: () => ({ left: 0, top: 0, width: 700 }) }
    return targetAt({ structure, view }, {
      target: element,
      currentTarget,
      clientX: p.x,
      clientY: p.y,
    } as never)
  }
  /** A place beside the middle of a member, px off it. */
  const beside = (m: StructureMember, off: number) => {
    const l = memberLine(structure, view, m)
    return plus(plus(l.a, l.dir, l.px / 2), l.up, off)
  }

  it('is the member nearest to the pointer, where diagrams are drawn as one', () => {
    const path = scene().querySelector('[data-diagram] path')!
    for (const m of structure.members)
      for (const off of [-9, 9]) expect(at(path, beside(m, off))).toBe(`member:${m.id}`)
  })

  it('is what the mark belongs to, and nothing beside all marks', () => {
    const c = scene()
    expect(at(c.querySelector('.hit[data-target="member:3"]')!, vec(12, 80))).toBe('member:3')
    expect(at(c.querySelector('svg')!, vec(12, 80))).toBeNull()
  })
})
