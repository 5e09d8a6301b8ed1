import { formatNumber, formatPlain, coherentUnitName, dimension, working } from '@viga/core'
import { useMemo } from 'react'
import { useSearchParams } from 'react-router'
import { useSheetStore } from '../sheet/context'
import { Formula } from '../widgets/Formula'
import { commonPower, MatrixView, powerWords } from './MatrixView'
import { MatrixOut } from './MatrixOut'
import type { StepProps } from './step'

/** Which member is written out: kept in the address, so that a link shows the same page. */
export function useMember(solution: StepProps['solution']): [number, (index: number) => void] {
  const [params, setParams] = useSearchParams()
  const { members } = solution.structure
  const found = members.findIndex((m) => m.id === params.get('member'))
  return [Math.max(0, found), (i) => setParams({ member: members[i].id }, { replace: true, preventScrollReset: true })]
}

export function MemberChoice({ solution, at, onChoose }: { solution: StepProps['solution']; at: number; onChoose: (i: number) => void }) {
  const store = useSheetStore()
  const { members } = solution.structure
  if (members.length > 14)
    return (
      <select className="cell-select member-select" aria-label="Member" value={at} onChange={(e) => onChoose(Number(e.target.value))}>
        {members.map((m, i) => (
          <option key={m.id} value={i}>
            {m.id}
          </option>
        ))}
      </select>
    )
  return (
    <div className="member-choice" role="group" aria-label="Member">
      {members.map((m, i) => (
        <button key={m.id} type="button" aria-pressed={i === at} onClick={() => onChoose(i)} onMouseEnter={() => store.getState().point(`member:${m.id}`)} onMouseLeave={() => store.getState().point(null)}>
          {m.id}
        </button>
      ))}
    </div>
  )
}

const FRAME = String.raw`\def\arraystretch{1.55}k=\begin{bmatrix}\frac{EA}{L}&0&0&-\frac{EA}{L}&0&0\\0&\frac{12EI}{L^3}&\frac{6EI}{L^2}&0&-\frac{12EI}{L^3}&\frac{6EI}{L^2}\\0&\frac{6EI}{L^2}&\frac{4EI}{L}&0&-\frac{6EI}{L^2}&\frac{2EI}{L}\\-\frac{EA}{L}&0&0&\frac{EA}{L}&0&0\\0&-\frac{12EI}{L^3}&-\frac{6EI}{L^2}&0&\frac{12EI}{L^3}&-\frac{6EI}{L^2}\\0&\frac{6EI}{L^2}&\frac{2EI}{L}&0&-\frac{6EI}{L^2}&\frac{4EI}{L}\end{bmatrix}`
const BAR = String.raw`k=\frac{EA}{L}\begin{bmatrix}1&0&-1&0\\0&0&0&0\\-1&0&1&0\\0&0&0&0\end{bmatrix}`

export function StiffnessStep({ solution, units }: StepProps) {
  const [at, choose] = useMember(solution)
  const w = useMemo(() => working.memberWorking(solution, units, at), [solution, units, at])
  const m = solution.structure.members[at]
  const power = commonPower(w.K.values)
  const words = powerWords(power, `${units.force}, ${units.length}, rad`)
  const EIunit = coherentUnitName(units, dimension.multiply(dimension.stress, dimension.secondMoment))
  const released = w.own !== undefined
  return (
    <>
      <h1>Stiffness of {<i>{w.id}</i>}</h1>
      <p className="prose">
        {w.bar ? 'It carries axial force alone: its ends resist only being drawn apart along it.' : 'The forces at its two ends when one end displacement is 1 and the others are 0, column by column.'} It joins <i>{w.start}</i> to <i>{w.end}</i>; its x runs that way.
      </p>
      <MemberChoice solution={solution} at={at} onChoose={choose} />
      <dl className="props">
        <div>
          <dt>L</dt>
          <dd>
            {formatPlain(w.length)} {units.length}
          </dd>
        </div>
        <div>
          <dt>cos α, sin α</dt>
          <dd>
            {formatPlain(w.cos, 4)}, {formatPlain(w.sin, 4)}
          </dd>
        </div>
        <div>
          <dt>EA</dt>
          <dd>
            {formatNumber(w.EA)} {units.force}
          </dd>
        </div>
        {!w.bar && (
          <div>
            <dt>EI</dt>
            <dd>
              {formatNumber(w.EI)} {EIunit}
            </dd>
          </div>
        )}
      </dl>
      {m.GAs > 0 ? <p className="prose">Shear deformation counts: Φ = 12EI/(G·As·L²) = {formatNumber((12 * m.E * m.I) / (m.GAs * m.length ** 2))} enters the bending terms.</p> : <div className="formula-block"><Formula tex={w.bar ? BAR : FRAME} plain={w.bar ? 'k = EA/L [1 −1; −1 1] along the member' : 'k from EA/L, 12EI/L³, 6EI/L², 4EI/L, 2EI/L'} /></div>}
      <div className="matrix-head">
        <span>{released ? 'In member axes, both ends rigid' : 'In member axes'}</span>
        <span className="quiet">
          {words} <MatrixOut name={`k of ${w.id}`} values={(w.own ?? w.k).values} />
        </span>
      </div>
      <MatrixView label={`stiffness of ${w.id} in member axes`} name={<i>k</i>} entries={w.own ?? w.k} power={power} plainNumbers />
      {released && (
        <>
          <p className="prose">{releaseWords(m.releases, w.start, w.end)} That end follows freely, so its equation is solved for it and put into the others (static condensation):</p>
          <MatrixView label={`condensed stiffness of ${w.id}`} name={<i>k</i>} entries={w.k} power={power} plainNumbers />
        </>
      )}
      <div className="matrix-head">
        <span>Turned to the axes of its joints: d = T·D</span>
      </div>
      <MatrixView label={`transformation of ${w.id}`} name={<i>T</i>} entries={w.T} power={0} plainNumbers />
      <div className="matrix-head">
        <span>
          K = Tᵀ·k·T, under the numbers of its unknowns
        </span>
        <span className="quiet">
          {words} <MatrixOut name={`K of ${w.id}`} values={w.K.values} />
        </span>
      </div>
      <MatrixView label={`stiffness of ${w.id} in global axes`} name={<i>K</i>} entries={w.K} power={power} />
    </>
  )
}

function releaseWords(releases: readonly (boolean | number)[], start: string, end: string): string {
  const names = ['axial force', 'shear', 'moment']
  return releases.flatMap((r, i) => (r === false ? [] : [`${i < 3 ? start : end} ${r === true ? `transfers no ${names[i % 3]}` : `passes the ${names[i % 3]} through a spring`}.`])).join(' ')
}
