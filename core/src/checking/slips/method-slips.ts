import { prepare } from '../../analysis/system.js'
import { texNumber } from '../../quantity/tex-number.js'
import type { Structure } from '../../structure/types.js'
import { alteredSolution, isLoadedAlong, isOneRound, loadsFor, readByEnds, withAlter } from './altered.js'
import { inFormulas } from './pictures.js'
import type { Found, SlipKind } from './slip.js'

/** Slips of the stiffness method itself: fixed-end forces and the turning of a member's axes. */

const fixedEndSign: SlipKind = {
  key: 'fixed-end-sign',
  did: 'put the fixed-end forces on the joints with their own sign instead of the opposite one',
  about: [],
  commonness: 0.08,
  line: { stiffness: 'loads', 'slope-deflection': 'equilibrium', 'moment-distribution': 'distribution' },
  find: (ctx) =>
    isOneRound(ctx) && isLoadedAlong(ctx)
      ? [
          {
            subject: {},
            sentence:
              'Your values fit fixed-end forces put on the joints with their own sign instead of the ' +
              'opposite one.',
            ...withAlter(ctx, (v, of) => ({ ...v, load: loadsFor(v, of, v.fixed, -1) })),
          },
        ]
      : [],
  picture: () =>
    inFormulas(
      ['P = P_{\\text{joint}} + f^{0}', 'P = P joint + f0'],
      ['P = P_{\\text{joint}} - f^{0}', 'P = P joint − f0'],
    ),
}

const fixedEndNotAdded: SlipKind = {
  key: 'fixed-end-not-added',
  did: 'took end forces as k·d alone',
  about: [],
  commonness: 0.08,
  line: { stiffness: 'end-forces', 'slope-deflection': 'moments', 'moment-distribution': 'moments' },
  find: (ctx) =>
    isOneRound(ctx) && isLoadedAlong(ctx)
      ? [
          {
            subject: {},
            sentence: 'Your values fit end forces taken as k·d alone, without the fixed-end forces.',
            solve: () =>
              readByEnds(
                ctx,
                alteredSolution(
                  ctx,
                  ctx.base.system,
                  (v) => ({ ...v, fixed: new Map() }),
                  (a) => ({ ...a, members: new Map() }),
                ),
              ),
          },
        ]
      : [],
  picture: () => inFormulas(['f = k\\,d', 'f = k d'], ['f = k\\,d + f^{0}', 'f = k d + f0']),
}

const turnedWrong: SlipKind = {
  key: 'turned-wrong',
  did: 'has the sine of a slanted member’s angle with the wrong sign in T',
  about: ['member'],
  commonness: 0.05,
  line: { stiffness: 'stiffness' },
  find: (ctx) => {
    const { structure: s } = ctx
    if (!isOneRound(ctx)) return []
    return s.members.flatMap((m, i): Found[] => {
      if (Math.abs(m.sin) < 1e-9 || Math.abs(m.cos) < 1e-9) return []
      const members = s.members.map((o, j) => (j === i ? { ...o, sin: -o.sin } : o))
      return [
        {
          subject: { member: m.id },
          sentence: `Your values fit the sine of ${m.id} with the wrong sign in its turning matrix.`,
          solve: () => {
            const prepared = prepare({ ...s, members })
            if (!prepared.ok) return undefined
            return readByEnds(
              ctx,
              alteredSolution(ctx, prepared.system, (v) => v),
            )
          },
        },
      ]
    })
  },
  picture: ({ right, subject }) => turning(right, String(subject.member)),
}

/** The cosine and sine of a member in its turning matrix, the sine with the wrong sign and with its own. */
function turning(s: Structure, id: string) {
  const m = s.members.find((o) => o.id === id)
  if (!m) return undefined
  const [c, n] = [texNumber(m.cos), texNumber(Math.abs(m.sin))]
  const minus = (on: boolean) => (on ? '-' : '')
  const matrix = (sin: number): [string, string] => [
    `\\begin{bmatrix}${c}&${minus(sin < 0)}${n}\\\\${minus(sin > 0)}${n}&${c}\\end{bmatrix}`,
    `cosine ${c}, sine ${minus(sin < 0)}${n}`,
  ]
  return inFormulas(matrix(-m.sin), matrix(m.sin))
}

export const METHOD_SLIPS: readonly SlipKind[] = [fixedEndSign, fixedEndNotAdded, turnedWrong]
