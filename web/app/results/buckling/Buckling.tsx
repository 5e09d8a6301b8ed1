import {
  courseOf,
  criticalFactors,
  criticalInput,
  displacementAt,
  effectiveLengths,
  extremes,
  firstOrderOf,
  firstOrderSolution,
  formatNumber,
  formatPlain,
  modeOf,
  modeSolution,
  momentMagnifiers,
  storeyAmplifications,
  thing,
  type Approximation,
  type CriticalInput,
} from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { LitRow } from '../../fields/LitRow'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { SOLVED_AT_ONCE } from '../../sheet/store'
import { targetOf } from '../../sheet/targets'
import { Block } from '../../widgets/Block'
import { Formula } from '../../widgets/Formula'
import { OneOf, Tick } from '../../widgets/Tick'
import { texNumber } from '../../widgets/tex-number'
import type { Solved } from '../solved'
import { growthWords } from './words'
import '../growth/growth.css'

/** How many critical factors are shown. */
const MOST = 4

/** How far the structure is from buckling, how it would, and what second order makes of its moments and sway. */
export default function Buckling(solved: Solved) {
  const { solution, action } = solved
  const large = solution.structure.members.length > SOLVED_AT_ONCE
  const input = useMemo(() => criticalInput(solution, action), [solution, action])
  const factors = useMemo(() => (input ? criticalFactors(input, large ? 1 : MOST) : []), [input, large])
  if (!input)
    return (
      <p className="prose">Equilibrium leaves axial forces of rigid members open, so nothing can be said.</p>
    )
  if (factors.length === 0)
    return (
      <p className="prose">
        No member is pressed in this case, so there is no factor on its loads at which the structure would
        buckle.
      </p>
    )
  return (
    <>
      <p className="prose">{growthWords(factors[0])}</p>
      <Factors {...solved} input={input} factors={factors} />
      <Lengths {...solved} input={input} factor={factors[0]} />
      {action.bent && <Amplified {...solved} factor={factors[0]} />}
      {action.bent && <Customary {...solved} />}
      {!action.bent && (
        <p className="prose quiet">
          These results are of first order. Second order is chosen under Given; it finds the equilibrium of
          the bent shape.
        </p>
      )}
    </>
  )
}

/** The critical factors; the mode of the chosen one is drawn on the Figure. */
function Factors({
  solution,
  input,
  factors,
}: Solved & { input: CriticalInput; factors: readonly number[] }) {
  const store = useSheetStore()
  const swinging = useSheet((s) => s.swinging)
  const [chosen, choose] = useState(0)
  const k = Math.min(chosen, factors.length - 1)
  useEffect(() => {
    const turn = factors.slice(0, k).filter((f) => Math.abs(f - factors[k]) < 1e-6 * f).length
    const mode = modeOf(input, factors[k], turn)
    store.setState({
      drawn: mode
        ? {
            solution: modeSolution(solution, mode),
            action: mode,
            layers: { deflected: true, diagram: null, reactions: false },
            caption: `Mode ${k + 1}: the shape in which the structure buckles at ${formatNumber(factors[k])} times its loads.`,
          }
        : null,
    })
    return () => store.setState({ drawn: null })
  }, [store, solution, input, factors, k])
  return (
    <Block title="Critical factors">
      <div className="factors" role="radiogroup" aria-label="Mode drawn on the Figure">
        {factors.map((f, i) => (
          <label key={i}>
            <OneOf name="mode" checked={i === k} onChange={() => choose(i)} /> {i + 1}.{' '}
            <b>{formatNumber(f)}</b> times the loads
          </label>
        ))}
      </div>
      <label>
        <Tick checked={swinging} onChange={() => store.setState({ swinging: !swinging })} /> let it swing
      </label>
    </Block>
  )
}

/** Effective lengths of the members in compression, with what they mean. */
function Lengths({
  solution: { structure: s },
  input,
  factor,
}: Solved & { input: CriticalInput; factor: number }) {
  const display = useDisplay()
  const rows = effectiveLengths(s, input.starts, factor)
  if (rows.length === 0) return null
  return (
    <Block
      title="Effective lengths"
      note={
        <p className="quiet">
          A column hinged at both ends and so long would buckle at the member’s force at the critical load.
          Where a member has little part in the mode its length comes out long: the structure buckles before
          it would.
        </p>
      }
    >
      <table className="t">
        <thead>
          <tr>
            <th />
            <th className="n">N critical</th>
            <td className="ro">{display.force.unit}</td>
            <th className="n">K·L</th>
            <td className="ro">{display.length.unit}</td>
            <th className="n">K</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 60).map((r) => (
            <LitRow
              key={r.member}
              target={thing.member(s.members[r.member].id)}
              label={s.members[r.member].id}
            >
              <td className="n">{formatNumber(r.N * display.force.perSI)}</td>
              <td />
              <td className="n">{formatNumber(r.length * display.length.perSI)}</td>
              <td />
              <td className="n strong">{formatNumber(r.K)}</td>
            </LitRow>
          ))}
        </tbody>
      </table>
    </Block>
  )
}

/** Second order over first, member by member and joint by joint, beside the customary approximation. */
function Amplified({ solution, action, factor }: Solved & { factor: number }) {
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
function Customary({ solution, action }: Solved) {
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
            <Formula tex="\frac{1}{1-\\Sigma P\\,\\Delta/(\\Sigma H\\,h)}" plain="1/(1 − ΣP·Δ/(ΣH·h))" />{' '}
            times the first-order sway
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
            <th className="n">approximation is off by</th>
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
