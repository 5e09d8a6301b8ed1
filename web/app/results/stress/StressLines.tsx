import {
  formatNumber,
  type Display,
  type ExtremeKey,
  type Range,
  type StressCheck,
  type StructureMember,
  texNumber as n,
} from '@viga/core'
import { Formula } from '../../widgets/Formula'
import { WideBlock } from '../WideBlock'

interface Props {
  m: StructureMember
  check: StressCheck
  range: Record<ExtremeKey, Range>
  /** Euler's critical load, N; NaN where EI is not known. */
  euler: number
  K: number
  /** The deflection is compared with the span over this. */
  limit: number
  display: Display
  stress: { unit: string; perSI: number }
}

/** One line of the check: its formula, the numbers put in, and what comes out. */
interface Line {
  name: string
  formula: string
  numbers: string
  value: string
  unit: string
  over?: boolean
}

const inBrackets = (v: number) => (v < 0 ? `\\left(${n(v)}\\right)` : n(v))

/** The check of one member, each number with its formula and substitution. */
export function StressLines(props: Props) {
  const { m } = props
  const lines = [...normalLines(props), ...otherLines(props), ...useLines(props)]
  return (
    <WideBlock title={m.id}>
      <dl className="stress-lines">
        {lines.map((l) => (
          <div key={l.name} data-stress={l.name} className={l.over ? 'over' : undefined}>
            <dt>{l.name}</dt>
            <dd>
              <Formula tex={`\\displaystyle ${l.formula}=${l.numbers}`} plain={l.formula} />
            </dd>
            <dd className="value">
              = <b>{l.value}</b> {l.unit}
            </dd>
          </div>
        ))}
      </dl>
    </WideBlock>
  )
}

const bigger = ({ max, min }: Range) => (Math.abs(min.value) > Math.abs(max.value) ? min : max)

/** Axial stress and bending stress of the outer fibres. */
function normalLines({ m, check, range, display, stress }: Props): Line[] {
  const force = display.force.perSI
  const length = display.length.perSI
  const N = bigger(range.N).value
  const M = bigger(range.M).value
  const out: Line[] = []
  const value = (v: number) => formatNumber(v * stress.perSI)
  if (check.axial)
    out.push({
      name: 'axial stress',
      formula: '\\sigma_N=\\frac{N}{A}',
      numbers: `\\frac{${n(N * force)}}{${n(m.A * length ** 2)}}`,
      value: value(check.axial.value),
      unit: stress.unit,
    })
  const fibre = (name: string, at: typeof check.bendingTop, y: number, sign: '' | '-') =>
    at &&
    out.push({
      name,
      formula: `\\sigma_M=${sign}\\frac{M\\,y}{I}`,
      numbers:
        `${sign}\\frac{${inBrackets(M * force * length)}\\cdot ` +
        `${n(y * length)}}{${n(m.I * length ** 4)}}`,
      value: value(at.value),
      unit: stress.unit,
    })
  fibre('bending, top', check.bendingTop, m.yTop, '-')
  fibre('bending, bottom', check.bendingBottom, m.yBottom, '')
  const both = (name: string, at: typeof check.largest) => {
    if (!at || m.bar) return
    out.push({
      name: `${name}, at ${formatNumber(at.x * length, { figures: 3 })} ${display.length.unit}`,
      formula: `\\sigma=\\frac{N}{A}${at.fibre < 0 ? '-' : '+'}\\frac{M\\,y}{I}`,
      numbers:
        `\\frac{${n(at.N * force)}}{${n(m.A * length ** 2)}}${at.fibre < 0 ? '-' : '+'}` +
        `\\frac{${inBrackets(at.M * force * length)}\\cdot ` +
        `${n(Math.abs(at.fibre * m.I) * length)}}{${n(m.I * length ** 4)}}`,
      value: value(at.value),
      unit: stress.unit,
    })
  }
  both('largest stress', check.largest)
  both('smallest stress', check.smallest)
  return out
}

/** Mean shear stress, strain, elongation and strain energy. */
function otherLines({ m, check, range, display, stress }: Props): Line[] {
  const force = display.force.perSI
  const length = display.length.perSI
  const out: Line[] = []
  const area = m.shearArea > 0 ? m.shearArea : m.A
  if (check.shear)
    out.push({
      name: 'mean shear',
      formula: m.shearArea > 0 ? '\\tau=\\frac{V}{A_s}' : '\\tau=\\frac{V}{A}',
      numbers: `\\frac{${n(bigger(range.V).value * force)}}{${n(area * length ** 2)}}`,
      value: formatNumber(check.shear.value * stress.perSI),
      unit: stress.unit,
    })
  if (check.strain)
    out.push({
      name: 'strain',
      formula: '\\varepsilon=\\frac{N}{EA}',
      numbers: `\\frac{${n(bigger(range.N).value * force)}}{${n(m.EA * force)}}`,
      value: formatNumber(check.strain.value * 1e6),
      unit: '10⁻⁶',
    })
  out.push({
    name: 'elongation',
    formula: '\\Delta L=u_{end}-u_{start}',
    numbers: n(check.elongation * display.displacement.perSI),
    value: formatNumber(check.elongation * display.displacement.perSI),
    unit: display.displacement.unit,
  })
  out.push({
    name: 'strain energy',
    formula: m.bar
      ? 'U=\\int\\frac{N^2}{2EA}dx'
      : 'U=\\int\\left(\\frac{N^2}{2EA}+\\frac{M^2}{2EI}\\right)dx',
    numbers: n(check.energy * force * length),
    value: formatNumber(check.energy * force * length),
    unit: display.moment.unit,
  })
  return out
}

/** The use of the yield stress, Euler's load against the thrust, and the deflection against its limit. */
function useLines({ m, check, range, euler, K, limit, display, stress }: Props): Line[] {
  const force = display.force.perSI
  const length = display.length.perSI
  const out: Line[] = []
  const yields = m.yieldStress * stress.perSI
  if (check.use)
    out.push({
      name: 'utilisation of the yield stress',
      formula: '\\frac{|\\sigma|}{f_y}',
      numbers: `\\frac{${n(check.use.value * yields)}}{${n(yields)}}`,
      value: formatNumber(check.use.value, { figures: 3 }),
      unit: '',
      over: check.use.value > 1,
    })
  const thrust = -range.N.min.value
  if (thrust > 0 && euler > 0) {
    const EI = ((euler * (K * m.length) ** 2) / Math.PI ** 2) * force * length ** 2
    out.push({
      name: 'Euler load',
      formula: 'P_E=\\frac{\\pi^2EI}{(K L)^2}',
      numbers: `\\frac{\\pi^2\\cdot ${n(EI)}}` + `{\\left(${n(K)}\\cdot ${n(m.length * length)}\\right)^2}`,
      value: formatNumber(euler * force),
      unit: display.force.unit,
    })
    out.push({
      name: 'thrust over Euler load',
      formula: '\\frac{|N|}{P_E}',
      numbers: `\\frac{${n(thrust * force)}}{${n(euler * force)}}`,
      value: formatNumber(thrust / euler, { figures: 3 }),
      unit: '',
      over: thrust > euler,
    })
  }
  if (!m.bar && check.deflection.value !== 0) {
    const deflection = Math.abs(check.deflection.value)
    const ratio = (deflection * limit) / m.length
    const { perSI } = display.displacement
    out.push({
      name: 'deflection over its limit',
      formula: `\\frac{|\\delta|}{L/${n(limit)}}`,
      numbers: `\\frac{${n(deflection * perSI)}}{${n((m.length / limit) * perSI)}}`,
      value: formatNumber(ratio, { figures: 3 }),
      unit: '',
      over: ratio > 1,
    })
  }
  return out
}
