import { formatNumber, type InfluenceLine, type LineStretch, type Structure } from '@viga/core'
import { useDisplay } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Formula } from '../../widgets/Formula'
import { polynomialTex } from '../member/Formulas'
import { perForce } from './shown-line'

/** The coefficients of a stretch by powers of x, m from the start of the member. */
function inX({ from, to, value: [a, b, c, d] }: LineStretch): number[] {
  const h = to - from
  const [k1, k2, k3] = [b / h, c / h ** 2, d / h ** 3]
  // s = (x − from)/h, multiplied out
  return [
    a - k1 * from + k2 * from ** 2 - k3 * from ** 3,
    k1 - 2 * k2 * from + 3 * k3 * from ** 2,
    k2 - 3 * k3 * from,
    k3,
  ]
}

/** Members whose formulas are written out at once. */
const MOST = 12

/** The line as formulas of the place of the force, one for each stretch of each member. */
export function LineFormulas({ structure, line }: { structure: Structure; line: InfluenceLine }) {
  const display = useDisplay()
  const { perSI, unit } = display.length
  const length = (x: number) => formatNumber(x * perSI, { figures: 4 })
  const moved = line.members.filter((m) => m.stretches.some((t) => t.value.some((k) => k !== 0)))
  const written = moved.slice(0, MOST)
  const tex = (t: LineStretch) => {
    const all = inX(t).map((c, k) => perForce(c, line.asked, display) / perSI ** k)
    const size = Math.max(...all.map((c, k) => Math.abs(c) * (t.to * perSI) ** k))
    return polynomialTex(all.map((c, k) => (Math.abs(c) * (t.to * perSI) ** k <= 1e-10 * size ? 0 : c)))
  }
  return (
    <Block title="Formulas">
      <table className="t formulas" aria-label="Formulas of the influence line">
        <tbody>
          {written.flatMap(({ member, stretches }) =>
            stretches.map((t) => (
              <tr key={`${member} ${t.from}`}>
                <td>
                  <i>{structure.members[member].id}</i>
                </td>
                <td>
                  <Formula
                    tex={`\\eta(x)=${tex(t)}`}
                    plain={`influence along ${structure.members[member].id}`}
                  />
                  {stretches.length > 1 && (
                    <span className="influence-range quiet">
                      {length(t.from)} to {length(t.to)} {unit}
                    </span>
                  )}
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
      <p className="quiet">
        x in {unit} from the start of each member
        {moved.length > MOST ? `; the first ${MOST} members` : ''}
        {moved.length < line.members.length ? '; along the others it is 0' : ''}
      </p>
    </Block>
  )
}
