import { divideMember, edit, reverseMember, type Member, type Section } from '@viga/core'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { ForceFields } from './entry-fields'
import { entryOf, loadOf, waysFor, type Entry, type Sort } from '@viga/core/statement/load-entry'
import { useState } from 'react'
import { EntryInput } from '../fields/OneLine'
import { MemberDetail } from './MemberDetail'

/** Everything of one member: section, ends, and a load on it. */
export function MemberEditor({ id }: { id: string }) {
  const store = useSheetStore()
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const m = problem.members.find((o) => o.id === id)
  const [open, setOpen] = useState(m?.axiallyRigid === true || m?.shearDeformation === true)
  if (!m) return null
  const truss = problem.kind === 'truss'
  const turnRound = () => {
    const p = store.getState().problem
    const turned = reverseMember(p, id)
    const label = turned.members[p.members.indexOf(m)].id
    apply(`turn ${id} round`, () => turned, { select: `member:${label}` })
  }
  return (
    <>
      {(problem.sections?.length ?? 0) > 1 && <SectionChoice m={m} sections={problem.sections!} />}
      {!truss && <EndChoices m={m} />}
      {!truss && m.type !== 'bar' && <MemberLoad id={id} />}
      {open && <More m={m} />}
      <footer className="editor-foot">
        <Press onClick={turnRound}>start ⇄ end</Press>
        <Press aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'less' : 'parts, springs …'}
        </Press>
        <Press onClick={() => apply(`take out ${id}`, (p) => edit.removeMembers(p, [id]), { select: null })}>
          take it out
        </Press>
      </footer>
    </>
  )
}

function SectionChoice({ m, sections }: { m: Member; sections: readonly Section[] }) {
  const apply = useEdit()
  return (
    <div className="editor-row">
      <span className="label">Section</span>
      <div className="choices words body">
        {sections.map((s) => (
          <Toggle
            key={s.id}
            type="button"
            on={m.section === s.id}
            onClick={() => apply(`section of ${m.id}`, (p) => edit.setMember(p, m.id, { section: s.id }))}
          >
            {s.id}
          </Toggle>
        ))}
      </div>
    </div>
  )
}

/** The ends of a member, each rigid or hinged, and whether it carries axial force alone. */
function EndChoices({ m }: { m: Member }) {
  const apply = useEdit()
  const bar = m.type === 'bar'
  const hinge = (end: 'start' | 'end') => m.releases?.[end]?.M === true
  return (
    <div className="editor-row">
      <span className="label">Ends</span>
      <div className="choices words body">
        {!bar &&
          (['start', 'end'] as const).map((end) => (
            <Toggle
              key={end}
              type="button"
              on={hinge(end)}
              aria-label={`${m.id} at ${m[end]}: ${hinge(end) ? 'hinged' : 'rigid'}`}
              onClick={() => apply(`hinge of ${m.id}`, (p) => edit.setHinge(p, m.id, end, !hinge(end)))}
            >
              <i>{m[end]}</i> {hinge(end) ? 'hinged' : 'rigid'}
            </Toggle>
          ))}
        <Toggle
          on={bar}
          title="carries axial force alone"
          onClick={() =>
            apply(`kind of ${m.id}`, (p) => edit.setMember(p, m.id, { type: bar ? undefined : 'bar' }))
          }
        >
          bar
        </Toggle>
      </div>
    </div>
  )
}

/** What is seldom asked for: equal parts, partial releases, springs, a member that keeps its length. */
function More({ m }: { m: Member }) {
  const apply = useEdit()
  const [parts, setParts] = useState('2')
  const n = Number(parts)
  const split = () =>
    n > 1 &&
    n <= 50 &&
    apply(`split ${m.id}`, (p) => divideMember(p, m.id, Math.round(n)).problem, { select: null })
  return (
    <>
      <div className="editor-row">
        <span className="label">Parts</span>
        <div className="body split-line">
          <EntryInput
            name={`parts of ${m.id}`}
            placeholder="2"
            value={parts}
            onChange={setParts}
            onEnter={split}
          />
          <Press className="plain-button" disabled={!(n > 1 && n <= 50)} onClick={split}>
            split into equal parts
          </Press>
        </div>
      </div>
      <MemberDetail m={m} />
    </>
  )
}

const SORTS: [Sort, string][] = [
  ['uniform', 'uniform'],
  ['force', 'force'],
  ['moment', 'moment'],
]

function MemberLoad({ id }: { id: string }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const [sort, setSort] = useState<Sort>('uniform')
  const c =
    problem.loadCases?.find((o) => o.id === actionId) ??
    (problem.combinations?.some((o) => o.id === actionId) ? undefined : problem.loadCases?.[0])
  if (!c && problem.loadCases?.length) return null
  const caseId = c?.id ?? '1'
  const found = (c?.loads ?? [])
    .map((l, index) => ({ l, index, entry: entryOf(l) }))
    .find(({ l, entry }) => l.type !== 'nodal' && l.member === id && entry?.sort === sort)
  const blank: Entry = {
    sort,
    amount: '',
    way: waysFor(sort, true)[0],
    ...(sort === 'uniform' ? { per: 'length' as const } : { at: '50%' }),
  }
  const entry = found?.entry ?? blank
  const put = (e: Entry | null, merge?: string) =>
    apply(
      `load on ${id}`,
      (p) => {
        if (e === null) return found ? edit.removeLoad(p, caseId, found.index) : p
        const load = loadOf({ member: id }, e.amount === '' ? { ...e, amount: 10 } : e)
        return found ? edit.setLoad(p, caseId, found.index, load) : edit.addLoad(p, caseId, load)
      },
      { merge },
    )
  return (
    <div className="editor-row">
      <span className="label">Load</span>
      <div className="body">
        <div className="choices words" style={{ marginBottom: 6 }}>
          {SORTS.map(([key, label]) => (
            <Toggle key={key} type="button" on={sort === key} onClick={() => setSort(key)}>
              {label}
            </Toggle>
          ))}
        </div>
        <EntryEditor
          key={sort}
          name={`the ${sort} load on ${id}`}
          entry={entry}
          onChange={put}
          onClear={() => put(null)}
        />
      </div>
    </div>
  )
}

interface EntryEditorProps {
  name: string
  entry: Entry
  onChange: (e: Entry, merge?: string) => ReturnType<Parameters<typeof ForceFields>[0]['onChange']>
  onClear?: () => void
}

/** Direction, amount and place of a load on a member. */
export function EntryEditor({ name, entry, onChange, onClear }: EntryEditorProps) {
  const toMain = (e: Entry): Entry =>
    e.way === 'angle' && e.sort === 'uniform' ? { ...e, way: 'down', angle: undefined } : e
  return (
    <>
      <ForceFields
        name={name}
        entry={entry}
        onChange={(e, merge) => onChange(toMain(e), merge)}
        onClear={onClear}
      />
      <div className="choices words">
        {entry.sort === 'moment' ? (
          <Turns entry={entry} onChange={onChange} />
        ) : (
          <OwnWays entry={entry} onChange={onChange} />
        )}
      </div>
    </>
  )
}

type Ways = Pick<EntryEditorProps, 'entry' | 'onChange'>

/** The two ways a moment turns. */
const Turns = ({ entry, onChange }: Ways) =>
  (['cw', 'ccw'] as const).map((w) => (
    <Toggle key={w} type="button" on={entry.way === w} onClick={() => onChange({ ...entry, way: w })}>
      {w === 'cw' ? '↻ clockwise' : '↺ counter-clockwise'}
    </Toggle>
  ))

/** Directions square to the member, and whether a uniform load is measured on the projection. */
function OwnWays({ entry, onChange }: Ways) {
  return (
    <>
      {waysFor(entry.sort, true)
        .filter((w) => w === '-y' || w === '+y')
        .map((w) => (
          <Toggle
            key={w}
            type="button"
            on={entry.way === w}
            onClick={() => onChange({ ...entry, way: w, angle: undefined, per: entry.per && 'length' })}
          >
            square, {w === '-y' ? '−y' : '+y'}
          </Toggle>
        ))}
      {entry.sort === 'uniform' && (
        <Toggle
          on={entry.per === 'projection'}
          disabled={/[xy]/.test(entry.way)}
          onClick={() => onChange({ ...entry, per: entry.per === 'projection' ? 'length' : 'projection' })}
        >
          per projection
        </Toggle>
      )}
    </>
  )
}
