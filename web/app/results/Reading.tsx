import {
  thing,
  dimension,
  edit,
  formatNumber,
  makeReader,
  chordAt,
  courseOf,
  sidesAt,
  type ActionSolution,
  type Solution,
} from '@viga/core'
import { useState } from 'react'
import { Line } from '../widgets/Line'
import { Pick } from '../widgets/Pick'
import { useDisplay, useSheet, useSheetStore } from '../sheet/context'
import { Block } from '../widgets/Block'
import { TensionLetter } from './MembersBlock'
import '../fields/fields.css'

/** Values at any place of any member. */
export function Reading({ solution, action }: { solution: Solution; action: ActionSolution }) {
  const store = useSheetStore()
  const display = useDisplay()
  const units = useSheet((s) => s.problem.units)
  const symbols = useSheet((s) => s.problem.symbols)
  const { structure: s } = solution
  const [id, setId] = useState('')
  const [text, setText] = useState('50%')
  const index = Math.max(
    0,
    s.members.findIndex((m) => m.id === id),
  )
  const m = s.members[index]
  if (!m) return null
  const percent = /^\s*([\d.]+)\s*%\s*$/.exec(text)
  const read = percent
    ? ({ ok: true, si: (Number(percent[1]) / 100) * m.length } as const)
    : makeReader(units, symbols).reader.read(edit.typed(text), dimension.length)
  const x = read.ok ? read.si : NaN
  const wrong = !read.ok
    ? read.message
    : x < 0 || x > m.length * (1 + 1e-9)
      ? `This place is not on ${m.id}.`
      : null
  const values = wrong === null ? valuesAt(solution, action, index, Math.min(x, m.length)) : undefined
  return (
    <Block title="Reading">
      <div
        className="reading"
        onMouseEnter={() => store.getState().point(thing.member(m.id))}
        onMouseLeave={() => store.getState().point(null)}
      >
        <div className="reading-place">
          <Pick
            className="cell-select"
            aria-label="member to read"
            value={m.id}
            onChange={(e) => setId(e.target.value)}
          >
            {s.members.map((o) => (
              <option key={o.id}>{o.id}</option>
            ))}
          </Pick>
          <Line
            className="cell-input"
            aria-label="place to read"
            value={text}
            onChange={(e) => setText(e.target.value)}
            spellCheck={false}
          />
          <span className="quiet">
            from <i className="italic">{s.nodes[m.start].id}</i>, {display.length.unit} or %
          </span>
        </div>
        {wrong ? (
          <p className="pencil" role="alert">
            {wrong}
          </p>
        ) : (
          values && (
            <div className="reading-values">
              {values.map(([name, v, unit]) => (
                <div key={name} data-reading={name}>
                  <span className="quiet italic">{name}</span>
                  <b>
                    {v} {name === 'N' && <TensionLetter sign={v.startsWith('−') ? -1 : v === '0' ? 0 : 1} />}
                  </b>
                  <span className="quiet">{unit}</span>
                </div>
              ))}
            </div>
          )
        )}
      </div>
    </Block>
  )

  function valuesAt(sol: Solution, act: ActionSolution, i: number, at: number): [string, string, string][] {
    const course = courseOf(sol, act, i)
    const { left, right } = sidesAt(course, at)
    const scale = { N: display.force, V: display.force, M: display.moment }
    const both = (a: number, b: number) => {
      const tiny = (v: number) => (Math.abs(v) < 1e-12 ? 0 : v)
      const [l, r] = [formatNumber(tiny(a)), formatNumber(tiny(b))]
      return l === r || at === 0 || at >= m.length ? (at === 0 ? r : l) : `${l} | ${r}`
    }
    const relative = (v: number) => (v - chordAt(course, at)) * display.displacement.perSI
    return [
      ...(['N', 'V', 'M'] as const).map((k): [string, string, string] => [
        k,
        both(left[k] * scale[k].perSI, right[k] * scale[k].perSI),
        scale[k].unit,
      ]),
      ['deflection', both(relative(left.v), relative(right.v)), display.displacement.unit],
    ]
  }
}
