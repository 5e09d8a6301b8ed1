import { formatNumber, thing, type Balance, type BalanceTerm, type BodyForce, type Display } from '@viga/core'
import { useRow } from '../../fields/rows'
import { Block } from '../../widgets/Block'
import { ROUNDING, SHORTENED } from '../numbers'

const KIND_WORDS: Record<BodyForce['kind'], string> = { load: 'load', reaction: 'reaction', cut: 'cut' }

/** The forces on a free body in a table, and the three equations of equilibrium written out with numbers. */
export function BalanceBlock({
  title,
  balance,
  display,
}: {
  title: string
  balance: Balance
  display: Display
}) {
  const force = (v: number) => written(v, balance.scale.force, display.force.perSI)
  const moment = (v: number) => written(v, Math.max(balance.scale.moment, 1e-300), display.moment.perSI)
  return (
    <Block title={title}>
      <table className="t">
        <thead>
          <tr>
            <th>Force</th>
            <th className="n">Fx, {display.force.unit}</th>
            <th className="n">Fy, {display.force.unit}</th>
            <th className="n">M, {display.moment.unit}</th>
          </tr>
        </thead>
        <tbody>
          {balance.terms.map((t, i) => (
            <TermRow key={i} term={t} force={force} moment={moment} />
          ))}
          <tr className="total">
            <td>Sum</td>
            <td className="n">{force(balance.fx)}</td>
            <td className="n">{force(balance.fy)}</td>
            <td className="n">{momentSum(balance, display)}</td>
          </tr>
        </tbody>
      </table>
      <div className="equations">
        <Equation
          name="Fx"
          terms={balance.terms.map((t) => force(t.fx))}
          sum={force(balance.fx)}
          unit={display.force.unit}
        />
        <Equation
          name="Fy"
          terms={balance.terms.map((t) => force(t.fy))}
          sum={force(balance.fy)}
          unit={display.force.unit}
        />
        <MomentEquation balance={balance} display={display} />
      </div>
    </Block>
  )
}

/** A number in shown units; what is small against the largest of its sum is 0. */
const written = (v: number, scale: number, perSI: number, small = ROUNDING) =>
  Math.abs(v) <= small * scale ? '0' : formatNumber(v * perSI)

const momentSum = ({ m, scale, terms }: Balance, { moment }: Display) =>
  written(
    m,
    Math.max(scale.moment, 1e-300),
    moment.perSI,
    terms.some((t) => t.force.moved) ? SHORTENED : ROUNDING,
  )

function TermRow({
  term,
  force,
  moment,
}: {
  term: BalanceTerm
  force: (v: number) => string
  moment: (v: number) => string
}) {
  const { of, kind } = term.force
  const name = 'node' in of ? of.node : of.member
  const row = useRow('node' in of ? thing.node(of.node) : thing.member(of.member))
  return (
    <tr {...row}>
      <td>
        <i>{name}</i> <span className="quiet">{KIND_WORDS[kind]}</span>
      </td>
      <td className="n">{force(term.fx)}</td>
      <td className="n">{force(term.fy)}</td>
      <td className="n">{moment(term.m)}</td>
    </tr>
  )
}

/** Terms with their signs between them: 6.645 − 6.645 + 12. */
const joined = (terms: readonly string[]) =>
  terms.map((t, i) => (i === 0 ? t : t.startsWith('−') ? ` − ${t.slice(1)}` : ` + ${t}`)).join('')

function Equation({ name, terms, sum, unit }: { name: string; terms: string[]; sum: string; unit: string }) {
  const shown = terms.filter((t) => t !== '0')
  return (
    <p data-equation={name}>
      <i>Σ{name}</i> = {joined(shown.length ? shown : ['0'])} = <b>{sum}</b>{' '}
      <span className="quiet">{unit}</span>
    </p>
  )
}

/** ΣM with each force times its lever arm: fy·dx − fx·dy, and moments as they are. */
function MomentEquation({ balance, display }: { balance: Balance; display: Display }) {
  const { force, length, moment } = display
  const scale = balance.scale
  const product = (f: number, arm: number, sign: 1 | -1): string[] => {
    if (Math.abs(f) <= ROUNDING * scale.force || Math.abs(f * arm) <= ROUNDING * scale.moment) return []
    const value = sign * f * arm
    const [a, b] = [Math.abs(f * force.perSI), Math.abs(arm * length.perSI)]
    return [`${value < 0 ? '−' : ''}${formatNumber(a)}·${formatNumber(b)}`]
  }
  const terms = balance.terms.flatMap((t) => [
    ...product(t.fy, t.dx, 1),
    ...product(t.fx, t.dy, -1),
    ...(Math.abs(t.force.m) <= ROUNDING * scale.moment ? [] : [formatNumber(t.force.m * moment.perSI)]),
  ])
  return (
    <p data-equation="M">
      <i>ΣM</i> = {joined(terms.length ? terms : ['0'])} = <b>{momentSum(balance, display)}</b>{' '}
      <span className="quiet">{moment.unit}</span>
    </p>
  )
}
