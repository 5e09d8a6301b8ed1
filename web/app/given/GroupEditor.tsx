import {
  thing,
  copySelection,
  dimension,
  divideMember,
  edit,
  jointsOf,
  makeReader,
  measure,
  membersLike,
  membersOf,
  mirrorSelection,
  moveNodes,
  siPerCoherent,
  type Problem,
  type Structure,
} from '@viga/core'
import { useState } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore } from '../sheet/context'
import { chosen, targetOf } from '../sheet/targets'
import { Floating, pointsOf, useEscape } from '../figure/Floating'
import { onScreen, type View } from '@viga/drawing/view'
import { removeChosen, toggleHinges } from '../commands/selection'
import { EntryInput, Refusal } from '../fields/OneLine'
import { readLoads } from '@viga/core/statement/read-load'
import { WAYS, type Way } from '@viga/core/statement/load-entry'

/** Many things at once: what is selected, and what can be done with all of it. */
export function GroupEditor({
  structure,
  view,
  onClose,
}: {
  structure: Structure
  view: View
  onClose: () => void
}) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const selection = useSheet((s) => s.selection)
  const { nodes, members, loads } = chosen(selection)
  const run = (name: string, change: (p: Problem) => Problem, select?: string | null) =>
    store.getState().edit(name, change, select === undefined ? {} : { select })
  useEscape(onClose)
  const joints = new Set(jointsOf(problem, { nodes, members }))
  const at = structure.nodes.filter((n) => joints.has(n.id)).map((n) => onScreen(view, n.x, n.y))
  const count = (n: number, one: string) => (n === 0 ? '' : `${n} ${one}${n === 1 ? '' : 's'}`)
  const words = [count(nodes.length, 'joint'), count(members.length, 'member'), count(loads.length, 'load')]
    .filter(Boolean)
    .join(', ')
  const alike = (by: 'section' | 'line') =>
    store
      .getState()
      .select(
        targetOf(
          [...new Set(members.flatMap((id) => membersLike(problem, id, by)))].map((id) => thing.member(id)),
        ),
      )
  return (
    <Floating
      at={at}
      rest={pointsOf(structure, view)}
      view={view}
      title={words}
      note="selected"
      width={330}
      onClose={onClose}
    >
      {members.length > 0 && (
        <>
          <div className="editor-row">
            <span className="label">Also</span>
            <div className="choices words body">
              <Press onClick={() => alike('section')}>all of the same section</Press>
              <Press onClick={() => alike('line')}>all in one line</Press>
            </div>
          </div>
          <Properties ids={members} />
        </>
      )}
      {members.length > 0 && <AllLoad on={members.map((id) => `member ${id}`)} />}
      {members.length === 0 && nodes.length > 0 && <AllLoad on={nodes.map((id) => `joint ${id}`)} />}
      {nodes.length + members.length > 0 && (
        <Repeat problem={problem} nodes={nodes} members={members} run={run} />
      )}
      <footer className="editor-foot">
        {problem.kind === 'frame' && nodes.length + members.length > 0 && (
          <Press onClick={() => run('hinges', (p) => toggleHinges(p, selection))}>hinge, or not (h)</Press>
        )}
        {members.length > 0 && (
          <Press
            onClick={() =>
              run('split in two', (p) => members.reduce((q, id) => divideMember(q, id, 2).problem, p), null)
            }
          >
            split in two
          </Press>
        )}
        <Press onClick={() => run('take out the selection', (p) => removeChosen(p, selection), null)}>
          take all out
        </Press>
      </footer>
    </Floating>
  )
}

/** One property for the whole selection; where they differ, nothing is chosen yet. */
function Properties({ ids }: { ids: string[] }) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const own = problem.members.filter((m) => ids.includes(m.id))
  const common = (key: 'section' | 'material') =>
    own.every((m) => m[key] === own[0]?.[key]) ? (own[0]?.[key] ?? '') : ''
  const set = (change: Parameters<typeof edit.setMember>[2], name: string) =>
    store.getState().edit(name, (p) => ids.reduce((q, id) => edit.setMember(q, id, change), p))
  const choice = (key: 'section' | 'material', options: { id: string }[]) => (
    <Pick
      className="cell-select"
      aria-label={`${key} of the selection`}
      value={common(key)}
      onChange={(e) => set({ [key]: e.target.value }, `${key} of the selection`)}
    >
      {common(key) === '' && <option value="">differ</option>}
      {options.map((o) => (
        <option key={o.id}>{o.id}</option>
      ))}
    </Pick>
  )
  const flag = (key: 'axiallyRigid' | 'type', label: string) => {
    const on = own.every((m) => (key === 'type' ? m.type === 'bar' : m.axiallyRigid === true))
    return (
      <Press
        aria-pressed={on}
        onClick={() =>
          set(
            key === 'type' ? { type: on ? undefined : 'bar' } : { axiallyRigid: on ? undefined : true },
            label,
          )
        }
      >
        {label}
      </Press>
    )
  }
  return (
    <>
      <div className="editor-row">
        <span className="label">Section</span>
        <div className="body split-line underlined">{choice('section', problem.sections ?? [])}</div>
        <span className="label"> of</span>
        <div className="body split-line underlined">{choice('material', problem.materials ?? [])}</div>
      </div>
      <div className="editor-row">
        <span className="label">Are</span>
        <div className="choices words body">
          {problem.kind === 'frame' && flag('type', 'bars')}
          {flag('axiallyRigid', 'of fixed length')}
        </div>
      </div>
    </>
  )
}

/** The same load on every joint or member of the selection, each named with what it is. */
function AllLoad({ on }: { on: string[] }) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const [amount, setAmount] = useState('')
  const [way, setWay] = useState<Way>('down')
  const [refusal, setRefusal] = useState<string | null>(null)
  const c = problem.loadCases?.find((o) => o.id === actionId) ?? problem.loadCases?.[0]
  const add = () => {
    if (amount.trim() === '') return
    const made = on.map((name) => readLoads(problem, name, amount, way, ''))
    const wrong = made.find((m) => !m.ok)
    if (wrong && !wrong.ok) return setRefusal(wrong.message)
    const error = store
      .getState()
      .edit(
        'load on the selection',
        (p) =>
          made
            .flatMap((m) => (m.ok ? m.loads : []))
            .reduce((q, load) => edit.addLoad(q, c?.id ?? '1', load), p),
        { shown: true },
      )
    setRefusal(error?.message ?? null)
    if (!error) setAmount('')
  }
  return (
    <div className="editor-row">
      <span className="label">Load</span>
      <div className="body split-line">
        <Pick
          className="cell-select"
          aria-label="direction of the load on all"
          style={{ width: 92 }}
          value={way}
          onChange={(e) => setWay(e.target.value as Way)}
        >
          {(['down', 'up', 'right', 'left', '-y', '+y'] as const).map((w) => (
            <option key={w} value={w}>
              {WAYS[w].sign} {WAYS[w].label}
            </option>
          ))}
        </Pick>
        <span className="grow">
          <EntryInput
            name="amount of a load on all"
            placeholder="6 kN/m on each"
            value={amount}
            onChange={(t) => (setAmount(t), setRefusal(null))}
            onEnter={add}
          />
          <Refusal>{refusal}</Refusal>
        </span>
        <Press className="plain-button" disabled={amount.trim() === ''} onClick={add}>
          put on
        </Press>
      </div>
    </div>
  )
}

interface RepeatProps {
  problem: Problem
  nodes: string[]
  members: string[]
  run: (name: string, change: (p: Problem) => Problem, select?: string | null) => unknown
}

/** Copy at a spacing, move, mirror. */
function Repeat({ problem, nodes, members, run }: RepeatProps) {
  const [fields, setFields] = useState({ right: '', up: '', times: '1', about: '' })
  const [connect, setConnect] = useState(true)
  const [loads, setLoads] = useState(true)
  const [supports, setSupports] = useState(true)
  const [refusal, setRefusal] = useState<string | null>(null)
  const selection = { nodes, members }
  const length = (text: string): number | undefined => {
    if (text.trim() === '') return 0
    const r = makeReader(problem.units, problem.symbols).reader.read(edit.typed(text), dimension.length)
    if (r.ok) return r.si / siPerCoherent(problem.units, dimension.length)
    setRefusal(r.message)
    return undefined
  }
  const step = () => {
    const [dx, dy] = [length(fields.right), length(fields.up)]
    if (dx === undefined || dy === undefined) return undefined
    if (dx === 0 && dy === 0) {
      setRefusal('Say how far right or up first.')
      return undefined
    }
    const typed = {
      ...(fields.right.trim() === '' ? {} : { dx: edit.typed(fields.right) }),
      ...(fields.up.trim() === '' ? {} : { dy: edit.typed(fields.up) }),
    }
    return { dx, dy, typed }
  }
  const copy = () => {
    const by = step()
    const times = Number(fields.times)
    if (!by) return
    if (!Number.isInteger(times) || times < 1 || times > 200)
      return setRefusal('Copies are a whole number from 1 to 200.')
    run('copy the selection', (p) => copySelection(p, selection, { ...by, times, connect, loads, supports }))
  }
  const move = () => {
    const by = step()
    if (by) run('move the selection', (p) => moveNodes(p, jointsOf(p, selection), by.dx, by.dy))
  }
  const mirror = (axis: 'vertical' | 'horizontal') => {
    const m = measure(problem)
    const places = jointsOf(problem, selection).map((id) => m.at.get(id)![axis === 'vertical' ? 'x' : 'y'])
    const about = fields.about.trim() === '' ? Math.max(...places) : length(fields.about)
    if (about !== undefined)
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
      <div className="editor-row">
        <span className="label">Step</span>
        <div className="body split-line wide-fields">
          → {input('right', 'step to the right', 'right')} ↑ {input('up', 'step up', 'up')}
          <Press className="plain-button" onClick={move}>
            move
          </Press>
        </div>
      </div>
      <div className="editor-row">
        <span className="label">Copy</span>
        <div className="body split-line wide-fields">
          {input('times', 'number of copies', '1')} times
          <label>
            <Tick checked={connect} onChange={(e) => setConnect(e.target.checked)} /> joined
          </label>
          <label>
            <Tick checked={loads} onChange={(e) => setLoads(e.target.checked)} /> loads
          </label>
          <label>
            <Tick checked={supports} onChange={(e) => setSupports(e.target.checked)} /> supports
          </label>
          <Press className="plain-button" onClick={copy}>
            copy
          </Press>
        </div>
      </div>
      <div className="editor-row">
        <span className="label">Mirror</span>
        <div className="body split-line wide-fields">
          at {input('about', 'line of the mirror', 'edge')}
          <Press className="plain-button" onClick={() => mirror('vertical')}>
            left to right
          </Press>
          <Press className="plain-button" onClick={() => mirror('horizontal')}>
            low to high
          </Press>
        </div>
      </div>
      <Refusal>{refusal}</Refusal>
    </>
  )
}
