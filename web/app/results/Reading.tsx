import { dropPlace, edit, keepPlace, keptPlaces, readAt, readPlace, thing, type KeptPlace } from '@viga/core'
import { useState } from 'react'
import { useParams } from 'react-router'
import { useDisplay, useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Block, RemoveButton } from '../widgets/Block'
import { Line } from '../widgets/Line'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { TensionLetter } from './MembersBlock'
import type { Solved } from './solved'
import '../fields/fields.css'

/** Values at any place of any member: typed here, or pointed at on the Figure; places may be kept. */
export function Reading(solved: Solved) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const { of } = useParams()
  const { structure: s } = solved.solution
  const [id, setId] = useState(of ?? '')
  const [text, setText] = useState('50%')
  const found = s.members.findIndex((m) => m.id === (of ?? id))
  const index = Math.max(0, found)
  const m = s.members[index]
  if (!m) return null
  const kept = keptPlaces(problem)
  const read = readPlace(problem, m.length, text)
  const show = (x: number | null) => store.setState({ probe: x === null ? null : { member: m.id, x } })
  return (
    <Block title="Reading">
      <div
        className="place-reading"
        onMouseEnter={() => store.getState().point(thing.member(m.id))}
        onMouseLeave={() => (store.getState().point(null), show(null))}
      >
        <div className="reading-place">
          {of === undefined && <MemberToRead id={m.id} all={s.members} onChoose={setId} />}
          <Line
            className="cell-input"
            typing
            aria-label="place to read"
            value={text}
            onChange={(e) => {
              setText(e.target.value)
              const at = readPlace(problem, m.length, e.target.value)
              show(at.ok ? at.x : null)
            }}
            onBlur={() => show(null)}
            spellCheck={false}
          />
          <From joint={s.nodes[m.start].id} />
          {read.ok && <Keep place={{ member: m.id, at: edit.typed(text) }} kept={kept} />}
        </div>
        {read.ok ? (
          <Values {...solved} index={index} x={read.x} />
        ) : (
          <p className="pencil" role="alert">
            {read.message}
          </p>
        )}
      </div>
      {kept.length > 0 && <Kept {...solved} kept={kept} />}
    </Block>
  )
}

interface MemberToReadProps {
  id: string
  all: readonly { id: string }[]
  onChoose: (id: string) => void
}

const MemberToRead = ({ id, all, onChoose }: MemberToReadProps) => (
  <Pick
    className="cell-select"
    aria-label="member to read"
    value={id}
    onChange={(e) => onChoose(e.target.value)}
  >
    {all.map((o) => (
      <option key={o.id}>{o.id}</option>
    ))}
  </Pick>
)

/** What a place is measured from, and in which ways it may be typed. */
function From({ joint }: { joint: string }) {
  const { length } = useDisplay()
  return (
    <span className="quiet">
      from <i className="italic">{joint}</i>, {length.unit}, % or L/3
    </span>
  )
}

/** Keeps a reading with the problem, where it is not kept yet. */
function Keep({ place, kept }: { place: KeptPlace; kept: readonly KeptPlace[] }) {
  const apply = useEdit()
  if (kept.some((k) => k.member === place.member && k.at === place.at)) return null
  return (
    <Press
      className="textlink"
      onClick={() => apply(`keep the reading on ${place.member}`, (p) => keepPlace(p, place))}
    >
      Save
    </Press>
  )
}

function Values({ solution, action, index, x }: Solved & { index: number; x: number }) {
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  return (
    <div className="reading-values">
      {readAt(problem, solution, action, index, x, display).map(({ key, text, unit, pull }) => (
        <div key={key} data-reading={key}>
          <span className="quiet italic">{key}</span>
          <b>
            {text} {key === 'N' && <TensionLetter sign={pull} />}
          </b>
          <span className="quiet">{unit}</span>
        </div>
      ))}
    </div>
  )
}

/** The readings that are kept with the problem, with the values of the case that is shown. */
function Kept({ solution, action, kept }: Solved & { kept: readonly KeptPlace[] }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  const { members, kind } = solution.structure
  const keys = kind === 'truss' ? ['N', 'u', 'v'] : ['N', 'V', 'M', 'deflection']
  return (
    <table className="t" aria-label="Kept readings">
      <thead>
        <tr>
          <th>Kept</th>
          <th>at</th>
          {keys.map((k) => (
            <th key={k} className="n">
              {k}
            </th>
          ))}
          <td />
        </tr>
      </thead>
      <tbody>
        {kept.map(({ member, at }, i) => {
          const index = members.findIndex((m) => m.id === member)
          const read = index < 0 ? undefined : readPlace(problem, members[index].length, String(at))
          const values = read?.ok ? readAt(problem, solution, action, index, read.x, display) : []
          return (
            <tr key={i}>
              <td>
                <i>{member}</i>
              </td>
              <td>{at}</td>
              {keys.map((k) => (
                <td key={k} className="n">
                  {values.find((v) => v.key === k)?.text}
                </td>
              ))}
              <td>
                <RemoveButton
                  what={`the reading of ${member} at ${at}`}
                  onClick={() => apply('drop a reading', (p) => dropPlace(p, i))}
                />
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
