import fc from 'fast-check'
import type { Load } from '../src/index.js'

const percent = (v: number) => `${v.toFixed(4)}%`
const value = fc.double({ min: -9, max: 9, noNaN: true })
const place = fc.double({ min: 0, max: 100, noNaN: true })
/** Any load on a member AB: forces, couples, lines of them over a part, temperature, misfit. */
export const anyLoad: fc.Arbitrary<Load> = fc.oneof(
  fc
    .record({
      at: place,
      fx: value,
      fy: value,
      m: value,
      axes: fc.constantFrom<'global' | 'member'>('global', 'member'),
    })
    .map((l): Load => ({ ...l, type: 'point', member: 'AB', at: percent(l.at) })),
  fc
    .record({
      a: place,
      b: place,
      p: value,
      q: value,
      direction: fc.constantFrom<'X' | 'Y' | 'x' | 'y'>('X', 'Y', 'x', 'y'),
    })
    .map(({ a, b, p, q, direction }): Load => ({
      type: 'distributed',
      member: 'AB',
      direction,
      points: [
        { at: percent(Math.min(a, b)), q: p },
        { at: percent(Math.max(a, b)), q: `${q} kN/m` },
      ],
    })),
  value.map((q): Load => ({ type: 'distributed', member: 'AB', direction: 'Y', per: 'projection', q })),
  fc.record({ a: place, q: value }).map(({ a, q }): Load => ({
    type: 'couple',
    member: 'AB',
    points: [
      { at: 0, q: 0 },
      { at: percent(a), q },
      { at: percent(a), q: -q },
      { at: '100%', q },
    ],
  })),
  fc
    .record({ uniform: value, gradient: value })
    .map((l): Load => ({ type: 'temperature', member: 'AB', ...l })),
  fc.record({ elongation: value, at: place, slip: value, kink: value }).map((l): Load => ({
    type: 'misfit',
    member: 'AB',
    elongation: `${l.elongation} mm`,
    at: percent(l.at),
    slip: l.slip / 1000,
    kink: l.kink / 1000,
  })),
)
