import { describe, expect, it } from 'vitest'
import { influenceLine, work, type Asked } from '@viga/core'
import { drawInfluence } from '../src/influence-line'
import { FIGURE_INSETS, fit } from '../src/view'
import { frame } from '../../core/test/builder'

const { problem } = frame()
  .node('A', 0, 0)
  .node('B', 8, 0)
  .member('A', 'B')
  .support('A', 'pin')
  .support('B', 'roller')

function drawn(asked: Asked, loads = [] as { member: number; x: number; words: string }[]) {
  const outcome = work(problem)
  if (outcome.stage !== 'solved') throw new Error(outcome.stage)
  const { structure } = outcome
  const found = influenceLine(problem, structure, asked, '-Y')
  if (!found.ok) throw new Error(found.message)
  const view = fit(structure.nodes, 704, 664, FIGURE_INSETS)
  const write = (si: number) => si.toFixed(3)
  return { view, scene: drawInfluence({ structure, view, line: found.line, write, loads }) }
}

describe('an influence line on the Figure', () => {
  it('has its greatest and its least value written, the greatest above the member', () => {
    const { scene, view } = drawn({ quantity: 'shear', member: 'AB', at: '25%' })
    const at = (text: string) => scene.labels.find((l) => l.mark.text === text)!.box.y
    expect(at('0.750')).toBeLessThan(view.oy)
    expect(at('-0.250')).toBeGreaterThan(view.oy)
    expect(scene.groups.map((g) => g.target)).toContain('member:AB')
  })
  it('that is nowhere below zero has one value, and loads of a train where they stand', () => {
    const { scene } = drawn({ quantity: 'moment', member: 'AB', at: '50%' }, [
      { member: 0, x: 2, words: '80 kN' },
    ])
    const texts = scene.labels.map((l) => l.mark.text)
    expect(texts).toEqual(expect.arrayContaining(['2.000', '80 kN']))
    expect(texts).toHaveLength(4)
    expect(scene.groups.map((g) => g.key)).toContain('train0')
  })
})
