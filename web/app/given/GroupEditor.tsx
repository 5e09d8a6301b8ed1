import { divideMember, edit, jointsOf, membersLike, thing, type Problem } from '@viga/core'
import { onScreen } from '@viga/drawing/view'
import { removeChosen, toggleHinges } from '../commands/selection'
import type { FigurePanel } from '../figure/Figure'
import { Floating, pointsOf, useEscape } from '../figure/Floating'
import { useEdit, useSheet, useSheetStore } from '../sheet/context'
import { chosen, targetOf } from '../sheet/targets'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { AllLoad } from './AllLoad'
import { Repeat } from './Repeat'

type Run = (name: string, change: (p: Problem) => Problem, select?: string | null) => unknown

/** Many things at once: what is selected, and what can be done with all of it. */
export function GroupEditor({ structure, view, onClose }: FigurePanel) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const selection = useSheet((s) => s.selection)
  const group = chosen(selection)
  const { nodes, members } = group
  const run: Run = (name, change, select) => apply(name, change, select === undefined ? {} : { select })
  useEscape(onClose)
  const joints = new Set(jointsOf(problem, { nodes, members }))
  return (
    <Floating
      at={structure.nodes.filter((n) => joints.has(n.id)).map((n) => onScreen(view, n.x, n.y))}
      rest={pointsOf(structure, view)}
      view={view}
      title={countedWords(group)}
      note="selected"
      width={330}
      onClose={onClose}
    >
      {members.length > 0 && (
        <>
          <Alike members={members} />
          <Properties ids={members} />
          <AllLoad on={members.map((id) => `member ${id}`)} />
        </>
      )}
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

/** What is selected, counted: `2 joints, 3 members`. */
function countedWords({ nodes, members, loads }: ReturnType<typeof chosen>): string {
  const count = (n: number, one: string) => (n === 0 ? '' : `${n} ${one}${n === 1 ? '' : 's'}`)
  return [count(nodes.length, 'joint'), count(members.length, 'member'), count(loads.length, 'load')]
    .filter(Boolean)
    .join(', ')
}

/** More members join the selection: those of the same section, or those in one line with it. */
function Alike({ members }: { members: string[] }) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const select = (by: 'section' | 'line') => {
    const like = new Set(members.flatMap((id) => membersLike(problem, id, by)))
    store.getState().select(targetOf([...like].map((id) => thing.member(id))))
  }
  return (
    <div className="editor-row">
      <span className="label">Also</span>
      <div className="choices words body">
        <Press onClick={() => select('section')}>all of the same section</Press>
        <Press onClick={() => select('line')}>all in one line</Press>
      </div>
    </div>
  )
}

/** One property for the whole selection; where they differ, nothing is chosen yet. */
function Properties({ ids }: { ids: string[] }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const own = problem.members.filter((m) => ids.includes(m.id))
  const common = (key: 'section' | 'material') =>
    own.every((m) => m[key] === own[0]?.[key]) ? (own[0]?.[key] ?? '') : ''
  const set = (change: Parameters<typeof edit.setMember>[2], name: string) =>
    apply(name, (p) => ids.reduce((q, id) => edit.setMember(q, id, change), p))
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
      <Toggle
        on={on}
        onClick={() =>
          set(
            key === 'type' ? { type: on ? undefined : 'bar' } : { axiallyRigid: on ? undefined : true },
            label,
          )
        }
      >
        {label}
      </Toggle>
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
