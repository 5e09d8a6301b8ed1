import {
  courseOf,
  displacementAt,
  extremes,
  firstOrderOf,
  firstOrderSolution,
  formatNumber,
  formatPlain,
  momentMagnifiers,
  storeyAmplifications,
  thing,
  type Approximation,
  texNumber,
} from '@viga/core'
import { useMemo, useState } from 'react'
import { LitRow } from '../../fields/LitRow'
import { useDisplay, useSheetStore } from '../../sheet/context'
import { targetOf } from '../../sheet/targets'
import { Block } from '../../widgets/Block'
import { Formula } from '../../widgets/Formula'
import { Tick } from '../../widgets/Tick'
import type { Solved } from '../solved'

/** Second order over first, member by member and joint by joint, beside the customary approximation. */
export function Amplified({ solution, action, factor }: Solved & { factor: number }) {
  const display = useDisplay()
  const store = useSheetStore()
  const [beside, setBeside] = useState(false)
  const plain = useMemo(
    () => ({ solution: firstOrderSolution(solution), action: firstOrderOf(action) }),
    [solution, action],
  )
  const { members, nodes } = solution.structure
  const moments = members.map((m, i) => {
    const most = (s: typeof solution, a: typeof action) => {
      const { max, min } = extremes(courseOf(s, a, i)).M
      return Math.max(Math.abs(max.value), Math.abs(min.value))
    }
    return { id: m.id, first: most(plain.solution, plain.action), second: most(solution, action) }
  })
  const sways = nodes.map((n, i) => ({
    id: n.id,
    first: displacementAt(plain.solution, plain.action, i).x ?? 0,
    second: displacementAt(solution, action, i).x ?? 0,
  }))
  const usual = 1 / (1 - 1 / factor)
  const show = (on: boolean) => {
    setBeside(on)
    store.setState({ comparison: on ? { kind: 'first-order' } : { kind: 'none' } })
  }
  return (
    <>
      <Block title="Second over first">
        <p className="prose">
          The customary amplification is{' '}
          <Formula
            tex={`\\frac{1}{1-1/\\alpha}=\\frac{1}{1-1/${texNumber(factor)}}=${texNumber(usual)}`}
            plain={`1/(1 − 1/α) = ${formatPlain(usual, 4)}`}
          />
        </p>
        <label>
          <Tick checked={beside} onChange={(e) => show(e.target.checked)} /> draw first order beside it,
          dashed (under Compare)
        </label>
      </Block>
      <Ratios
        title="Largest moments"
        rows={moments}
        usual={usual}
        per={display.moment.perSI}
        unit={display.moment.unit}
        of="member"
      />
      <Ratios
        title="Sway of the joints"
        rows={sways}
        usual={usual}
        per={display.displacement.perSI}
        unit={display.displacement.unit}
        of="node"
      />
    </>
  )
}

/** Storeys and braced members by the rules of thumb, beside what second order finds. */
export function Customary({ solution, action }: Solved) {
  const display = useDisplay()
  const storeys = useMemo(() => storeyAmplifications(solution, action), [solution, action])
  const magnified = useMemo(() => momentMagnifiers(solution, action), [solution, action])
  const { members } = solution.structure
  const rows = (all: readonly Approximation[], per: number) =>
    all.slice(0, 60).map((a) => {
      const ids = a.members.map((i) => members[i].id)
      return (
        <LitRow key={ids[0]} target={targetOf(ids.map((id) => thing.member(id)))} label={ids.join(' ')}>
          <td className="n">{formatNumber(a.factor)}</td>
          <td className="n">{formatNumber(a.approximate * per)}</td>
          <td className="n strong">{formatNumber(a.exact * per)}</td>
          <td className="n quiet">{formatNumber(100 * (a.approximate / a.exact - 1), { figures: 2 })} %</td>
        </LitRow>
      )
    })
  const head = (unit: string) => (
    <thead>
      <tr>
        <th />
        <th className="n">factor</th>
        <th className="n">approximate, {unit}</th>
        <th className="n">exact</th>
        <th className="n">off by</th>
      </tr>
    </thead>
  )
  return (
    <>
      {storeys.length > 0 && (
        <Block title="Storeys">
          <p className="prose">
            <Formula tex="\frac{1}{1-\Sigma P\,\Delta/(\Sigma H\,h)}" plain="1/(1 − ΣP·Δ/(ΣH·h))" /> times the
            first-order sway
          </p>
          <table className="t">
            {head(display.displacement.unit)}
            <tbody>{rows(storeys, display.displacement.perSI)}</tbody>
          </table>
        </Block>
      )}
      {magnified.length > 0 && (
        <Block title="Braced members">
          <p className="prose">
            <Formula
              tex="M\approx M_2\,\frac{C_m}{1-P/P_e},\quad C_m=0.6-0.4\,\frac{M_1}{M_2}"
              plain="M ≈ M2·Cm/(1 − P/Pe), Cm = 0.6 − 0.4·M1/M2"
            />
            ; it knows nothing of a sway
          </p>
          <table className="t">
            {head(display.moment.unit)}
            <tbody>{rows(magnified, display.moment.perSI)}</tbody>
          </table>
        </Block>
      )}
    </>
  )
}

interface RatiosProps {
  title: string
  rows: readonly { id: string; first: number; second: number }[]
  usual: number
  per: number
  unit: string
  of: 'member' | 'node'
}

function Ratios({ title, rows, usual, per, unit, of }: RatiosProps) {
  const most = Math.max(...rows.map((r) => Math.abs(r.first)))
  const shown = rows.filter((r) => Math.abs(r.first) > 1e-6 * most).slice(0, 60)
  if (shown.length === 0) return null
  return (
    <Block title={title}>
      <table className="t">
        <thead>
          <tr>
            <th />
            <th className="n">first order</th>
            <th className="n">second order</th>
            <td className="ro">{unit}</td>
            <th className="n">ratio</th>
            <th className="n">off by</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((r) => {
            const ratio = r.second / r.first
            return (
              <LitRow
                key={r.id}
                target={of === 'member' ? thing.member(r.id) : thing.node(r.id)}
                label={r.id}
              >
                <td className="n">{formatNumber(r.first * per)}</td>
                <td className="n strong">{formatNumber(r.second * per)}</td>
                <td />
                <td className="n">{formatNumber(ratio)}</td>
                <td className="n quiet">{formatNumber(100 * (usual / ratio - 1), { figures: 2 })} %</td>
              </LitRow>
            )
          })}
        </tbody>
      </table>
    </Block>
  )
}
