import { expect, it } from 'vitest'
import { reactionAt } from '@viga/core'
import type { Overlay } from '../../app/figure/Figure'
import type { FigureKey } from '../../app/sheet/figure-keys'
import { useFirstOrder } from '../../app/working/use-first-order'
import { named } from '../demo'
import { inSheet } from '../in-sheet'

/** What is laid over the Figure beside a step. */
function beside(of: string, step: FigureKey, on = true): Overlay | undefined {
  let found: Overlay | undefined
  function Probe() {
    found = useFirstOrder(on, step)
    return null
  }
  inSheet(named(of), <Probe />)
  return found
}
const FRAME = 'belvedere'

it('beside the reactions of the Working stand those of first order', () => {
  const { instead, note } = beside(FRAME, 'stiffness.reactions')!
  const { x, y } = reactionAt(instead!.solution, instead!.action, 0)
  expect([x, y].map((v) => (v / 1000).toFixed(2))).toEqual(['-0.40', '355.44'])
  expect(instead!.solution.structure.order).toBe(1)
  expect(note).toMatch(/first order/)
})
it('where no results are drawn nothing is said', () => {
  expect(beside(FRAME, 'stiffness.idealisation')!.note).toBeUndefined()
})
it('beside the step of second order, elsewhere and in first order the Figure is as it is', () => {
  expect(beside(FRAME, 'stiffness.second-order')).toBeUndefined()
  expect(beside(FRAME, 'stiffness.reactions', false)).toBeUndefined()
  expect(beside('palm-house', 'stiffness.reactions')).toBeUndefined()
})
