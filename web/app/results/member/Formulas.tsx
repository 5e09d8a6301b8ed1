import {
  courseOf,
  formatNumber,
  formulasOf,
  signFactors,
  type CourseKey,
  type Display,
  type Signs,
  type StretchFormula,
  texNumber,
} from '@viga/core'
import { useMemo } from 'react'
import { Block } from '../../widgets/Block'
import { Formula } from '../../widgets/Formula'
import type { Solved } from '../solved'

const KEYS = ['N', 'V', 'M', 'v'] as const

/** A polynomial in x as TeX, highest power last as it is derived. */
export function polynomialTex(coefficients: readonly number[]): string {
  const terms = coefficients.flatMap((c, k) => {
    if (c === 0) return []
    const x = k === 0 ? '' : k === 1 ? '\\,x' : `\\,x^{${k}}`
    const size = texNumber(Math.abs(c), 5)
    return [{ sign: c < 0 ? '-' : '+', body: `${size}${x}` }]
  })
  if (terms.length === 0) return '0'
  return terms
    .map(({ sign, body }, i) => (i === 0 ? (sign === '-' ? `-${body}` : body) : `${sign}${body}`))
    .join('')
}

/** A formula of SI coefficients in shown units: x in the unit of length, the value in its own. */
export const inShownUnits = (f: StretchFormula, value: number, length: number): number[] =>
  f.coefficients.map((c, k) => (c * value) / length ** k)

/** N(x), V(x), M(x) and v(x) of a member, one line for each stretch between loads. */
export function Formulas({
  solution,
  action,
  index,
  display,
  signs,
}: Solved & { index: number; display: Display; signs: Signs }) {
  const m = solution.structure.members[index]
  const lines = useMemo(() => {
    const course = courseOf(solution, action, index)
    const sign = { ...signFactors(signs), v: 1 }
    return (m.bar ? KEYS.slice(0, 1) : KEYS).map((key) => {
      const { perSI, unit } =
        key === 'M' ? display.moment : key === 'v' ? display.displacement : display.force
      const stretches = formulasOf(course, key as CourseKey).map((f) => ({
        from: f.x0 * display.length.perSI,
        to: f.x1 * display.length.perSI,
        tex: polynomialTex(inShownUnits(f, perSI * sign[key], display.length.perSI)),
      }))
      return { key, unit, stretches }
    })
  }, [solution, action, index, display, signs, m.bar])
  if (action.bent)
    return (
      <Block title="Formulas">
        <p className="prose">
          On the bent shape V, M and v are no polynomials: with k² = |N|/EI they run as sines and cosines of
          kx where the member is pressed, and as hyperbolic ones where it is pulled. Values anywhere are read
          above, exactly.
        </p>
      </Block>
    )
  return (
    <Block title="Formulas">
      <dl className="formulas">
        {lines.map(({ key, unit, stretches }) =>
          stretches.map((s, i) => (
            <div key={`${key}${i}`} data-formula={key}>
              <dt>
                <Formula tex={`${key}(x)=${s.tex}`} plain={`${key}(x)`} />
              </dt>
              <dd className="quiet">
                {unit}
                {stretches.length > 1 && `, ${formatNumber(s.from)} ≤ x ≤ ${formatNumber(s.to)}`}
              </dd>
            </div>
          )),
        )}
      </dl>
      <p className="quiet formulas-of">
        x in {display.length.unit} from <i>{solution.structure.nodes[m.start].id}</i>.
      </p>
    </Block>
  )
}
