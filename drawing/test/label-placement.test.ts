import { expect, it } from 'vitest'
import { place, ring, type LabelRequest } from '../src/label-placement'

const labelRequest = (key: string, x: number, optional = false): LabelRequest => ({
  key,
  mark: { t: 'text', text: 'word', size: 12, fill: 'ink' },
  candidates: [
    { x, y: 100 },
    { x, y: 140 },
  ],
  optional,
})

it('takes the first free place', () => {
  const at = place([labelRequest('a', 100), labelRequest('b', 104)], []).map((p) => p.mark.y)
  expect(at).toEqual([100, 140])
})

it('keeps off lines', () =>
  expect(
    place([labelRequest('a', 100)], [{ a: { x: 0, y: 100 }, b: { x: 300, y: 100 }, half: 2 }])[0].mark.y,
  ).toBe(140))

it('leaves out what repeats itself when nothing is free', () =>
  expect(
    place([labelRequest('a', 100), labelRequest('b', 100), labelRequest('c', 100, true)], []).map(
      (p) => p.key,
    ),
  ).toEqual(['a', 'b']))

it('looks round from the side it likes', () => {
  const [first] = ring({ x: 0, y: 0 }, { x: 1, y: 0 }, [10], 20, 10)
  expect(first).toEqual({ x: 20, y: 0 })
})

it('takes shorter words where the usual ones have no free place', () => {
  const wall = [80, 120].map((x) => ({ a: { x, y: 0 }, b: { x, y: 300 }, half: 1 }))
  const asked = { ...labelRequest('a', 100), mark: { ...labelRequest('a', 100).mark, text: 'AB, 4.25 m' } }
  expect(place([{ ...asked, shorter: 'AB' }], wall)[0].mark.text).toBe('AB')
  expect(place([{ ...asked, shorter: 'AB' }], [])[0].mark.text).toBe('AB, 4.25 m')
})

it('looks farther out on its own side alone', () => {
  const full = [85, 100, 115, 130, 145].map((y) => ({ a: { x: 0, y }, b: { x: 400, y }, half: 1 }))
  const side = { a: { x: 0, y: 120 }, b: { x: 200, y: 120 }, dir: { x: 0, y: -1 } }
  expect(place([{ ...labelRequest('a', 100), side }], full)[0].mark.y).toBeLessThan(85)
  expect(place([labelRequest('a', 100)], full)[0].mark.y).toBeGreaterThan(145)
})
