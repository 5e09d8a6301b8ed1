import {
  criticalFactors,
  criticalInput,
  effectiveLengths,
  formatNumber,
  modeOf,
  modeSolution,
  thing,
  type CriticalInput,
} from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { LitRow } from '../../fields/LitRow'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { SOLVED_AT_ONCE } from '../../sheet/store'
import { Block } from '../../widgets/Block'
import { Choice } from '../../widgets/Choice'
import { Tick } from '../../widgets/Tick'
import type { Solved } from '../solved'
import { Amplified, Customary } from './Amplified'
import { growthWords, SMALL_ROTATIONS } from './words'
import '../growth/growth.css'

/** How many critical factors are shown. */
const MOST = 4

/**
 * How far the structure is from buckling, how it would, and what second order makes of its moments and sway.
 */
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
      <p className="prose quiet">{SMALL_ROTATIONS}</p>
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
            caption:
              `Mode ${k + 1}: the shape in which the structure buckles at ` +
              `${formatNumber(factors[k])} times its loads.`,
          }
        : null,
    })
    return () => store.setState({ drawn: null })
  }, [store, solution, input, factors, k])
  return (
    <Block title="Critical factors">
      <Choice
        className="factors"
        label="Mode drawn on the Figure"
        options={factors.map((f, i) => [String(i), <Mode key={i} number={i + 1} factor={f} />] as const)}
        value={String(k)}
        onChange={(i) => choose(Number(i))}
      />
      <label>
        <Tick checked={swinging} onChange={() => store.setState({ swinging: !swinging })} /> let it swing
      </label>
    </Block>
  )
}

const Mode = ({ number, factor }: { number: number; factor: number }) => (
  <span>
    {number}. <b>{formatNumber(factor)}</b> times the loads
  </span>
)

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
