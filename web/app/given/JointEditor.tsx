import {
  dimension,
  edit,
  type Member,
  type Problem,
  type ProblemError,
  type Quantity,
  type Support,
  type SupportType,
} from '@viga/core'
import { useState } from 'react'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { QuantityField } from '../fields/QuantityField'
import { useSheet, useEdit } from '../sheet/context'
import { Amount, ForceFields } from './entry-fields'
import { entryOf, loadOf, type Entry } from '@viga/core/statement/load-entry'
import { SupportDetail } from './SupportDetail'
import { supportKind, SUPPORT_WORDS, TYPES, withType } from '@viga/core/statement/supports'
import { SupportSymbol } from './drawn-symbols'

/** Everything at one joint: its support, the ends that meet there, the load on it. */
export function JointEditor({ id }: { id: string }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const support = problem.supports?.find((s) => s.node === id)
  return (
    <>
      <SupportChoice id={id} support={support} />
      {support && <TurnAndMore key={id} s={support} />}
      <EndsHere id={id} problem={problem} />
      <JointLoad id={id} problem={problem} />
      <footer className="editor-foot">
        <span>drag the joint to move it</span>
        <Press onClick={() => apply(`take out ${id}`, (p) => edit.removeNodes(p, [id]), { select: null })}>
          take it out
        </Press>
      </footer>
    </>
  )
}

/** The kinds of support as their symbols, one of them pressed. */
function SupportChoice({ id, support }: { id: string; support: Support | undefined }) {
  const apply = useEdit()
  const kind = support ? supportKind(support) : 'none'
  const become = (type: SupportType | 'none') => {
    const next = type === 'none' ? undefined : support ? withType(bare(support), type) : { type }
    apply(`support of ${id}`, (p) => edit.setSupport(p, id, next))
  }
  return (
    <div className="editor-row">
      <span className="label">Support</span>
      <div className="choices body" role="group" aria-label={`Support of ${id}`}>
        {(['none', ...TYPES] as const).map((t) => (
          <Toggle
            key={t}
            type="button"
            on={kind === t}
            aria-label={t === 'none' ? 'no support' : SUPPORT_WORDS[t]}
            title={t === 'none' ? 'no support' : SUPPORT_WORDS[t]}
            onClick={() => become(t)}
          >
            <SupportSymbol type={t} />
          </Toggle>
        ))}
      </div>
    </div>
  )
}

interface MemberEnd {
  m: Member
  end: 'start' | 'end'
}
const hinged = ({ m, end }: MemberEnd) => m.releases?.[end]?.M === true

/** The ends of members that meet at the joint, each rigid or hinged. */
function EndsHere({ id, problem }: { id: string; problem: Problem }) {
  const apply = useEdit()
  if (problem.kind !== 'frame') return null
  const ends = problem.members
    .filter((m) => m.type !== 'bar')
    .flatMap((m): MemberEnd[] => [
      ...(m.start === id ? [{ m, end: 'start' as const }] : []),
      ...(m.end === id ? [{ m, end: 'end' as const }] : []),
    ])
  if (ends.length === 0) return null
  const all = ends.every(hinged)
  return (
    <div className="editor-row">
      <span className="label">Ends</span>
      <div className="choices words body">
        {ends.map((e) => (
          <Toggle
            key={e.m.id + e.end}
            type="button"
            on={hinged(e)}
            aria-label={`${e.m.id} at ${id}: ${hinged(e) ? 'hinged' : 'rigid'}`}
            onClick={() => apply(`hinge of ${e.m.id}`, (p) => edit.setHinge(p, e.m.id, e.end, !hinged(e)))}
          >
            <i>{e.m.id}</i> {hinged(e) ? 'hinged' : 'rigid'}
          </Toggle>
        ))}
        {ends.length > 1 && (
          <Toggle
            on={all}
            onClick={() =>
              apply(`hinges at ${id}`, (p) => ends.reduce((q, e) => edit.setHinge(q, e.m.id, e.end, !all), p))
            }
          >
            all hinged
          </Toggle>
        )}
      </div>
    </div>
  )
}

const bare = (s: Support): Omit<Support, 'node'> => {
  const { node, ...rest } = s
  void node
  return rest
}

/** The turn of a support, and its springs and settlement on demand. */
function TurnAndMore({ s }: { s: Support }) {
  const apply = useEdit()
  const [open, setOpen] = useState(!s.type || s.settlement !== undefined)
  const turn = (angle: Quantity | undefined, merge?: string) => {
    const next = { ...bare(s), angle }
    if (angle === undefined) delete next.angle
    return apply(`turn of ${s.node}`, (p) => edit.setSupport(p, s.node, next), { merge })
  }
  const quarter = () => {
    const now =
      s.angle === undefined ? 0 : Number(/^(-?\d+(?:\.\d+)?) deg$/.exec(String(s.angle))?.[1] ?? NaN)
    const next = Number.isNaN(now) ? 90 : (now + 90) % 360
    turn(next === 0 ? undefined : `${next} deg`)
  }
  return (
    <>
      <div className="editor-row">
        <span className="label">Turned</span>
        <div className="body split-line">
          <div className="editor-field">
            <QuantityField
              name={`turn at ${s.node}`}
              value={s.angle}
              dimension={dimension.angle}
              direction
              placeholder="0"
              onClear={() => turn(undefined)}
              onChange={turn}
            />
          </div>
          <Press className="plain-button" onClick={quarter}>
            a quarter on ↺
          </Press>
          <Press className="quiet link" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'less' : 'springs …'}
          </Press>
        </div>
      </div>
      {open && <SupportDetail s={s} />}
    </>
  )
}

function JointLoad({ id, problem }: { id: string; problem: Problem }) {
  const apply = useEdit()
  const actionId = useSheet((s) => s.actionId)
  const c =
    problem.loadCases?.find((o) => o.id === actionId) ??
    (problem.combinations?.some((o) => o.id === actionId) ? undefined : problem.loadCases?.[0])
  const caseId = c?.id ?? '1'
  const here = (c?.loads ?? []).flatMap((l, index) =>
    l.type === 'nodal' && l.node === id ? [{ index, entry: entryOf(l) }] : [],
  )
  if (!c && problem.loadCases?.length) return null // a combination is shown: its loads belong to its cases
  const find = (sort: Entry['sort']) => here.find((h) => h.entry?.sort === sort)
  const put = (sort: Entry['sort'], entry: Entry | null, merge?: string) => {
    const before = find(sort)
    return apply(
      `load on ${id}`,
      (p) => {
        if (entry === null) return before ? edit.removeLoad(p, caseId, before.index) : p
        const load = loadOf({ node: id }, entry)
        return before ? edit.setLoad(p, caseId, before.index, load) : edit.addLoad(p, caseId, load)
      },
      { merge },
    )
  }
  const force = find('force')?.entry
  const rest = here.filter((h) => !h.entry).length
  return (
    <div className="editor-row">
      <span className="label">Load</span>
      <div className="body">
        <ForceFields
          name={`the force on ${id}`}
          entry={force ?? { sort: 'force', amount: '', way: 'down' }}
          onClear={() => put('force', null)}
          onChange={(e, merge) => put('force', e.amount === '' ? { ...e, amount: 10 } : e, merge)}
        />
        {problem.kind === 'frame' && (
          <MomentLine id={id} moment={find('moment')?.entry} put={(e, merge) => put('moment', e, merge)} />
        )}
        {rest > 0 && <p className="quiet">Further components stand in the table.</p>}
      </div>
    </div>
  )
}

interface MomentLineProps {
  id: string
  moment: Entry | null | undefined
  put: (entry: Entry | null, merge?: string) => ProblemError | null
}

/** The moment on a joint, and which way it turns. */
function MomentLine({ id, moment, put }: MomentLineProps) {
  const counter = moment?.way === 'ccw'
  return (
    <div className="moment-line">
      <Amount
        name={`the moment on ${id}`}
        sort="moment"
        value={moment?.amount}
        onClear={() => put(null)}
        onChange={(v, merge) => put({ sort: 'moment', amount: v, way: moment?.way ?? 'cw' }, merge)}
      />
      <Press
        className="plain-button"
        aria-label={`sense of the moment on ${id}: ${counter ? 'counter-clockwise' : 'clockwise'}`}
        disabled={!moment}
        onClick={() => moment && put({ ...moment, way: counter ? 'cw' : 'ccw' })}
      >
        {counter ? '↺' : '↻'}
      </Press>
    </div>
  )
}
