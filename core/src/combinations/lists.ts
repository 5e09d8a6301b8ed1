import type { Category } from '../document/types.js'

/**
 * One action of a rule: a category of load cases and its factor. Several in one term are a choice: one of
 * them acts.
 */
export interface RuleAction {
  category: Category
  factor: number
}

export interface Rule {
  /** As the source writes it. */
  title: string
  purpose: 'strength' | 'service'
  terms: RuleAction[][]
  /** Without a case of one of these the rule says nothing of its own. */
  needs?: Category[]
}

export interface CombinationList {
  id: string
  title: string
  source: string
  rules: Rule[]
}

const term = (factor: number, ...categories: Category[]): RuleAction[] =>
  categories.map((category) => ({ category, factor }))
const strength = (title: string, needs: Category[] | undefined, ...terms: RuleAction[][]): Rule => ({
  title,
  purpose: 'strength',
  terms,
  ...(needs && { needs }),
})
const service = (title: string, needs: Category[] | undefined, ...terms: RuleAction[][]): Rule => ({
  title,
  purpose: 'service',
  terms,
  ...(needs && { needs }),
})

const D = (f: number) => term(f, 'dead')
const L = (f: number) => term(f, 'live')
const roof = (f: number) => term(f, 'roof-live', 'snow')
const W = (f: number) => term(f, 'wind')
const E = (f: number) => term(f, 'seismic')

/**
 * ψ₀ and ψ₂ of EN 1990, table A1.1: imposed load of dwellings and offices, roofs, snow below 1000 m, wind,
 * temperature.
 */
const PSI: readonly { category: Category; psi0: number; psi2: number }[] = [
  { category: 'live', psi0: 0.7, psi2: 0.3 },
  { category: 'roof-live', psi0: 0, psi2: 0 },
  { category: 'snow', psi0: 0.5, psi2: 0 },
  { category: 'wind', psi0: 0.6, psi2: 0 },
  { category: 'temperature', psi0: 0.6, psi2: 0 },
]

const eurocode: Rule[] = [
  strength('1.35 G', undefined, D(1.35)),
  ...PSI.flatMap(({ category: lead }): Rule[] => {
    const others = PSI.filter((o) => o.category !== lead && o.psi0 > 0)
    return [
      strength(`1.35 G + 1.5 Q, ${lead} alone`, [lead], D(1.35), term(1.5, lead)),
      strength(
        `1.35 G + 1.5 Q + 1.5 ψ₀ Q, ${lead} leading`,
        [lead],
        D(1.35),
        term(1.5, lead),
        ...others.map((o) => term(1.5 * o.psi0, o.category)),
      ),
    ]
  }),
  strength('1.0 G + 1.5 Q, wind lifting', ['wind'], D(1), W(1.5)),
  strength(
    'G + E + ψ₂ Q',
    ['seismic'],
    D(1),
    E(1),
    ...PSI.filter((o) => o.psi2 > 0).map((o) => term(o.psi2, o.category)),
  ),
]

/** Published lists of combinations, as data. */
export const COMBINATION_LISTS: readonly CombinationList[] = [
  {
    id: 'plain',
    title: 'Plain: 1.4 D, 1.2 D + 1.6 L',
    source: 'the two combinations most textbooks begin with',
    rules: [strength('1.4 D', undefined, D(1.4)), strength('1.2 D + 1.6 L', ['live'], D(1.2), L(1.6))],
  },
  {
    id: 'asce-strength',
    title: 'ASCE 7, strength',
    source: 'ASCE/SEI 7-16, sections 2.3.1 and 2.3.6',
    rules: [
      strength('1: 1.4D', undefined, D(1.4)),
      strength('2: 1.2D + 1.6L + 0.5(Lr or S)', ['live', 'roof-live', 'snow'], D(1.2), L(1.6), roof(0.5)),
      strength('3: 1.2D + 1.6(Lr or S) + (L or 0.5W)', ['roof-live', 'snow'], D(1.2), roof(1.6), [
        ...L(1),
        ...W(0.5),
      ]),
      strength('4: 1.2D + W + L + 0.5(Lr or S)', ['wind'], D(1.2), W(1), L(1), roof(0.5)),
      strength('5: 0.9D + W', ['wind'], D(0.9), W(1)),
      strength('6: 1.2D + E + L + 0.2S', ['seismic'], D(1.2), E(1), L(1), term(0.2, 'snow')),
      strength('7: 0.9D + E', ['seismic'], D(0.9), E(1)),
    ],
  },
  {
    id: 'asce-allowable',
    title: 'ASCE 7, allowable stress',
    source: 'ASCE/SEI 7-16, sections 2.4.1 and 2.4.5',
    rules: [
      service('1: D', undefined, D(1)),
      service('2: D + L', ['live'], D(1), L(1)),
      service('3: D + (Lr or S)', ['roof-live', 'snow'], D(1), roof(1)),
      service('4: D + 0.75L + 0.75(Lr or S)', ['live'], D(1), L(0.75), roof(0.75)),
      service('5: D + 0.6W', ['wind'], D(1), W(0.6)),
      service('6: D + 0.75L + 0.75(0.6W) + 0.75(Lr or S)', ['wind'], D(1), L(0.75), W(0.45), roof(0.75)),
      service('7: 0.6D + 0.6W', ['wind'], D(0.6), W(0.6)),
      service('8: D + 0.7E', ['seismic'], D(1), E(0.7)),
      service('9: D + 0.525E + 0.75L + 0.75S', ['seismic'], D(1), E(0.525), L(0.75), term(0.75, 'snow')),
      service('10: 0.6D + 0.7E', ['seismic'], D(0.6), E(0.7)),
    ],
  },
  {
    id: 'en-1990',
    title: 'EN 1990, equation 6.10',
    source: 'EN 1990:2002, equations 6.10 and 6.12b, tables A1.1 and A1.2(B), recommended values',
    rules: eurocode,
  },
  {
    id: 'is-800',
    title: 'IS 875 with IS 800',
    source: 'IS 800:2007, table 4, loads by IS 875',
    rules: [
      strength('1.5 (D + L)', undefined, D(1.5), L(1.5), term(1.5, 'roof-live', 'snow')),
      ...(['wind', 'seismic'] as const).flatMap((side) => [
        strength(`1.2 (D + L) + 0.6 ${side}`, [side], D(1.2), L(1.2), term(0.6, side)),
        strength(`1.2 (D + L + ${side})`, [side], D(1.2), L(1.2), term(1.2, side)),
        strength(`1.5 (D + ${side})`, [side], D(1.5), term(1.5, side)),
        strength(`0.9 D + 1.5 ${side}`, [side], D(0.9), term(1.5, side)),
      ]),
      service('D + L', undefined, D(1), L(1), term(1, 'roof-live', 'snow')),
      ...(['wind', 'seismic'] as const).flatMap((side) => [
        service(`D + 0.8 L + 0.8 ${side}`, [side], D(1), L(0.8), term(0.8, side)),
        service(`D + ${side}`, [side], D(1), term(1, side)),
      ]),
    ],
  },
]
