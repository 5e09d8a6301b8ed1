import { describe, expect, it } from 'vitest'
import { paintScene, type Palette } from '../src/canvas'
import { line, vec, type Group, type TextMark } from '../src/marks'
import { place, placeAsBefore, type Placed, type LabelRequest } from '../src/label-placement'

/** A context that writes down what is painted on it. */
function paper() {
  const said: string[] = []
  const state = {
    strokeStyle: '',
    fillStyle: '',
    lineWidth: 0,
    lineJoin: '',
    font: '',
    textAlign: '',
    textBaseline: '',
    globalAlpha: 1,
    dash: [] as number[],
  }
  const c = {
    ...state,
    save: () => said.push('save'),
    restore: () => said.push('restore'),
    translate: (x: number, y: number) => said.push(`to ${x} ${y}`),
    rotate: (a: number) => said.push(`turn ${Math.round((a * 180) / Math.PI)}`),
    setLineDash: (d: number[]) => void (c.dash = d),
    fill: (d: unknown) => said.push(`fill ${String(d)} ${c.fillStyle}`),
    stroke: (d: unknown) => {
      const dash = c.dash.length ? ` dash ${c.dash.join('-')}` : ''
      said.push(`stroke ${String(d)} ${c.strokeStyle} ${c.lineWidth}${dash}`)
    },
    fillText: (t: string, x: number, y: number) =>
      said.push(`text ${t} at ${x} ${y} ${c.fillStyle} ${c.textAlign} ${c.font}`),
    strokeText: (t: string) => said.push(`halo ${t} ${c.strokeStyle}`),
    measureText: (t: string) => ({ width: 10 * t.length }),
  }
  return { c: c as unknown as Parameters<typeof paintScene>[0], said }
}

const colours: Palette = { ink: (n) => n, serif: 'serif', sans: 'sans' }
const path = (d: string) => d as unknown as Path2D
const paint = (groups: Group[], labels: Placed[], lit: string[] = []) => {
  const { c, said } = paper()
  paintScene(c, { groups, labels }, new Set(lit), colours, path)
  return said
}
const words = (more: Partial<TextMark> = {}): Placed => ({
  key: 'w',
  target: 'load:1',
  mark: { t: 'text', x: 5, y: 6, text: '3 kN', size: 12, fill: 'load', anchor: 'middle', ...more },
  box: { x: 5, y: 6, w: 20, h: 10 },
  off: vec(0, 0),
})

describe('a scene on a canvas', () => {
  it('has the strokes and fills of its marks, dashed where they are', () => {
    expect(
      paint(
        [
          {
            key: 'a',
            marks: [
              line(vec(0, 0), vec(4, 0), 'ink', 2, { dash: '3 2' }),
              { t: 'path', d: 'M1 1Z', fill: 'sheet', stroke: 'hair', width: 1 },
            ],
          },
        ],
        [],
      ),
    ).toEqual(['stroke M0 0L4 0 ink 2 dash 3-2', 'fill M1 1Z sheet', 'stroke M1 1Z hair 1'])
  })
  it('lights what is pointed at, as the style sheet does', () => {
    const group = (cls?: 'lining' | 'dot' | 'hollow'): Group => ({
      key: 'm',
      target: 'member:AB',
      marks: [{ t: 'path', d: 'M', stroke: 'ink', width: 1, cls }],
    })
    expect(paint([group()], [], ['member:AB'])).toEqual(['stroke M cedar 1'])
    expect(paint([group('lining')], [], ['member:AB'])).toEqual(['stroke M cedar-tint 1'])
    expect(paint([group('hollow')], [], ['member:AB'])).toEqual(['stroke M ink 1'])
    expect(paint([group('dot')], [], ['member:AB'])).toEqual(['fill M cedar', 'stroke M cedar 1'])
    expect(paint([], [words()], ['load:1'])).toEqual(['text 3 kN at 5 6 cedar-deep center 400 12px sans'])
  })
  it('turns slanted words about their place, and keeps a halo under them', () => {
    expect(paint([], [words({ rotate: 30, halo: true, italic: true, serif: true, weight: 500 })])).toEqual([
      'save',
      'to 5 6',
      'turn 30',
      'halo 3 kN paper',
      'text 3 kN at 0 0 load center italic 500 12px serif',
      'restore',
    ])
  })
  it('sets the quieter words beside the others, both about the middle', () => {
    // 40 px, a gap of 7, 10 px: they begin 28.5 px left of the middle
    expect(paint([], [words({ aside: 'W' })])).toEqual([
      'text W at 23.5 6 ink-3 left 400 11.5px sans',
      'text 3 kN at -23.5 6 load left 400 12px sans',
    ])
  })
})

describe('labels of what is dragged', () => {
  const labelRequest = (key: string, x: number, optional = false): LabelRequest => ({
    key,
    mark: { t: 'text', text: key, size: 12, fill: 'ink' },
    candidates: [vec(x, 50), vec(x, 80), vec(x, 110)],
    optional,
  })
  it('go along, each as far from its liked place as it stood', () => {
    const before = place([labelRequest('one', 50), labelRequest('two', 52)], [])
    expect(before.map((l) => l.off)).toEqual([vec(0, 0), vec(0, 30)])
    const moved = placeAsBefore([labelRequest('one', 90), labelRequest('two', 62)], before)
    expect(moved.map((l) => [l.mark.x, l.mark.y])).toEqual([
      [90, 50],
      [62, 80],
    ])
    expect(moved[1].box).toMatchObject({ x: 62, y: 80 })
  })
  it('stay out when they were left out, and a new one takes its first place', () => {
    expect(
      placeAsBefore([labelRequest('spare', 10, true), labelRequest('new', 20)], []).map((l) => [
        l.key,
        l.mark.x,
        l.mark.y,
      ]),
    ).toEqual([['new', 20, 50]])
  })
})
