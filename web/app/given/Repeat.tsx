import {
  copySelection,
  dimension,
  edit,
  jointsOf,
  makeReader,
  measure,
  membersOf,
  mirrorSelection,
  moveNodes,
  siPerCoherent,
  type Problem,
  type Selection,
} from '@viga/core'
import { useState, type ReactNode } from 'react'
import { Refusal } from '../fields/FieldSentence'
import { EntryInput } from '../fields/OneLine'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'

interface RepeatProps {
  problem: Problem
  nodes: string[]
  members: string[]
  run: (name: string, change: (p: Problem) => Problem, select?: string | null) => unknown
}

/** A length that was typed, in the problem's unit; nothing typed is no length at all, 0. */
type Length = { ok: true; value: number } | { ok: false; message: string }

function lengthOf(problem: Problem, text: string): Length {
  if (text.trim() === '') return { ok: true, value: 0 }
  const r = makeReader(problem.units, problem.symbols).reader.read(edit.typed(text), dimension.length)
  return r.ok ? { ok: true, value: r.si / siPerCoherent(problem.units, dimension.length) } : r
}

/** The step of a copy or a move as numbers and as it was typed, or the sentence why it is none. */
function stepOf(problem: Problem, right: string, up: string) {
  const [dx, dy] = [lengthOf(problem, right), lengthOf(problem, up)]
  if (!dx.ok) return dx.message
  if (!dy.ok) return dy.message
  if (dx.value === 0 && dy.value === 0) return 'Say how far right or up first.'
  const typed = {
    ...(right.trim() === '' ? {} : { dx: edit.typed(right) }),
    ...(up.trim() === '' ? {} : { dy: edit.typed(up) }),
  }
  return { dx: dx.value, dy: dy.value, typed }
}

/** The right or upper edge of a selection, which a mirror stands at where nothing else is said. */
function edgeOf(problem: Problem, selection: Selection, axis: 'vertical' | 'horizontal'): number {
  const { at } = measure(problem)
  const places = jointsOf(problem, selection).map((id) => at.get(id)![axis === 'vertical' ? 'x' : 'y'])
  return Math.max(...places)
}

const ALONG = { joined: true, loads: true, supports: true }

/** Copy at a spacing, move, mirror. */
export function Repeat({ problem, nodes, members, run }: RepeatProps) {
  const [fields, setFields] = useState({ right: '', up: '', times: '1', about: '' })
  const [along, setAlong] = useState(ALONG)
  const [refusal, setRefusal] = useState<string | null>(null)
  const selection = { nodes, members }
  const withStep = (act: (by: Exclude<ReturnType<typeof stepOf>, string>) => void) => {
    const by = stepOf(problem, fields.right, fields.up)
    if (typeof by === 'string') setRefusal(by)
    else act(by)
  }
  const copy = () =>
    withStep((by) => {
      const times = Number(fields.times)
      if (!Number.isInteger(times) || times < 1 || times > 200)
        return setRefusal('Copies are a whole number from 1 to 200.')
      const { joined: connect, loads, supports } = along
      run('copy the selection', (p) =>
        copySelection(p, selection, { ...by, times, connect, loads, supports }),
      )
    })
  const move = () =>
    withStep((by) => run('move the selection', (p) => moveNodes(p, jointsOf(p, selection), by.dx, by.dy)))
  const mirror = (axis: 'vertical' | 'horizontal') => {
    const typed = lengthOf(problem, fields.about)
    if (!typed.ok) return setRefusal(typed.message)
    const about = fields.about.trim() === '' ? edgeOf(problem, selection, axis) : typed.value
    run('mirror the selection', (p) =>
      mirrorSelection(p, { nodes, members: membersOf(p, selection) }, axis, about),
    )
  }
  const input = (key: keyof typeof fields, name: string, placeholder: string) => (
    <EntryInput
      name={name}
      placeholder={placeholder}
      value={fields[key]}
      onChange={(t) => (setFields({ ...fields, [key]: t }), setRefusal(null))}
      onEnter={copy}
    />
  )
  return (
    <>
      <Row label="Step">
        → {input('right', 'step to the right', 'right')} ↑ {input('up', 'step up', 'up')}
        <Do onClick={move}>move</Do>
      </Row>
      <Row label="Copy">
        {input('times', 'number of copies', '1')} times
        <AlongWith along={along} onChange={setAlong} />
        <Do onClick={copy}>copy</Do>
      </Row>
      <Row label="Mirror">
        at {input('about', 'line of the mirror', 'edge')}
        <Do onClick={() => mirror('vertical')}>left to right</Do>
        <Do onClick={() => mirror('horizontal')}>low to high</Do>
      </Row>
      <Refusal>{refusal}</Refusal>
    </>
  )
}

interface AlongWithProps {
  along: typeof ALONG
  onChange: (along: typeof ALONG) => void
}

/** What goes along with a copy. */
const AlongWith = ({ along, onChange }: AlongWithProps) =>
  (Object.keys(ALONG) as (keyof typeof ALONG)[]).map((key) => (
    <label key={key}>
      <Tick checked={along[key]} onChange={(e) => onChange({ ...along, [key]: e.target.checked })} /> {key}
    </label>
  ))

const Row = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="editor-row">
    <span className="label">{label}</span>
    <div className="body split-line wide-fields">{children}</div>
  </div>
)

const Do = ({ onClick, children }: { onClick: () => void; children: string }) => (
  <Press className="plain-button" onClick={onClick}>
    {children}
  </Press>
)
