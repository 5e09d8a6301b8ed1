import { drawFreeBody } from '@viga/drawing/free-body'
import { fit } from '@viga/drawing/view'
import { freeBody, memberPart, stationsTable, type Structure } from '@viga/core'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import { useNavigate, useParams } from 'react-router'
import { MiniFigure } from '../../figure/MiniFigure'
import { useDisplay, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import { isOfField } from '../../commands/typing'
import { Reading } from '../Reading'
import { useMemberIndex, useSigns, type Solved } from '../solved'
import { ResultTableView } from '../tables/ResultTableView'
import { Charts } from './Charts'
import { curvesOf } from './curves'
import { Formulas } from './Formulas'
import './member.css'

/** Everything about one member: its curves under each other, its ends, its formulas and stations. */
export default function MemberPage(solved: Solved) {
  const { solution, action } = solved
  const { of, problemId } = useParams()
  const navigate = useNavigate()
  const display = useDisplay()
  const signs = useSigns()
  const { members } = solution.structure
  const index = useMemberIndex(solution, of)
  const m = members[index]
  const open = (i: number) =>
    void navigate(`/problems/${problemId}/results/member/${encodeURIComponent(members[i].id)}`, {
      replace: of === undefined,
    })
  useStepKeys(index, members.length, open)
  const curves = useMemo(
    () => (m ? curvesOf(solution, action, index, display, signs) : []),
    [solution, action, index, display, signs, m],
  )
  if (!m) return <p className="prose">There is no member yet.</p>
  return (
    <>
      <MemberHead structure={solution.structure} index={index} onOpen={open} />
      <InBrowser fallback={<div className="charts-wait" />}>
        <Charts curves={curves} member={m.id} length={display.length.unit} />
      </InBrowser>
      <Reading key={m.id} {...solved} />
      <Ends {...solved} index={index} />
      <Formulas {...solved} index={index} display={display} signs={signs} />
      <Stations {...solved} index={index} />
    </>
  )
}

/** The name of the member, and the ways to the others. */
function MemberHead({
  structure: { members, nodes },
  index,
  onOpen,
}: {
  structure: Structure
  index: number
  onOpen: (index: number) => void
}) {
  const m = members[index]
  return (
    <header className="member-head">
      <h2>
        <i>{m.id}</i>
        <span className="quiet">
          {' '}
          from <i>{nodes[m.start].id}</i> to <i>{nodes[m.end].id}</i>
        </span>
      </h2>
      <Press
        aria-label="Previous member"
        title="Previous member (key ,)"
        disabled={index === 0}
        onClick={() => onOpen(index - 1)}
      >
        ⟵
      </Press>
      <Pick
        className="cell-select"
        aria-label="Member"
        value={m.id}
        onChange={(e) => onOpen(members.findIndex((o) => o.id === e.target.value))}
      >
        {members.map((o) => (
          <option key={o.id}>{o.id}</option>
        ))}
      </Pick>
      <Press
        aria-label="Next member"
        title="Next member (key .)"
        disabled={index === members.length - 1}
        onClick={() => onOpen(index + 1)}
      >
        ⟶
      </Press>
    </header>
  )
}

/** What only a browser can draw: the charts take their inks from the page. */
function InBrowser({ children, fallback }: { children: ReactNode; fallback: ReactNode }) {
  const [here, setHere] = useState(false)
  useEffect(() => setHere(true), [])
  return here ? children : fallback
}

/** Comma and full stop go to the previous and the next member. */
function useStepKeys(index: number, count: number, open: (i: number) => void) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOfField(e) || e.ctrlKey || e.altKey || e.metaKey) return
      const to = e.key === ',' ? index - 1 : e.key === '.' ? index + 1 : -1
      if (to >= 0 && to < count) open(to)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}

const DRAWN = { width: 420, height: 170 }

/** The forces on the two ends and between them, drawn as a free body. */
function Ends({ solution, action, index }: Solved & { index: number }) {
  const display = useDisplay()
  const scene = useMemo(() => {
    const { structure } = solution
    const m = structure.members[index]
    const part = memberPart(solution, index)
    const ends = [structure.nodes[m.start], structure.nodes[m.end]]
    const insets = { left: 90, right: 90, top: 60, bottom: 60 }
    const view = fit(ends, DRAWN.width, DRAWN.height, insets)
    const forces = freeBody(solution, action, part)
    return drawFreeBody({
      structure: { ...structure, members: structure.members },
      part,
      forces,
      view,
      display,
      alone: true,
    })
  }, [solution, action, index, display])
  return (
    <Block title="Ends">
      <MiniFigure
        {...DRAWN}
        groups={[
          ...scene.groups,
          ...scene.labels.map((l) => ({ key: l.key, target: l.target, marks: [l.mark] })),
        ]}
        label={`Free body of ${solution.structure.members[index].id}`}
      />
    </Block>
  )
}

/** The values at stations of a step of choice. */
function Stations({ solution, action, index }: Solved & { index: number }) {
  const store = useSheetStore()
  const display = useDisplay()
  const signs = useSigns()
  const [count, setCount] = useState(11)
  const table = useMemo(() => {
    const whole = stationsTable({ solution, actions: [action], envelope: false, display, signs }, count, [
      index,
    ])
    return {
      ...whole,
      columns: whole.columns.slice(1),
      rows: whole.rows.map((r) => ({ cells: r.cells.slice(1) })),
    }
  }, [solution, action, index, display, signs, count])
  return (
    <Block title="Stations">
      <label className="table-options">
        <span className="quiet">parts</span>
        <Pick
          className="cell-select"
          aria-label="parts of the member"
          value={count - 1}
          onChange={(e) => setCount(Number(e.target.value) + 1)}
          onFocus={() => store.setState({ probe: null })}
        >
          {[2, 4, 5, 8, 10, 12, 20, 50, 100].map((n) => (
            <option key={n}>{n}</option>
          ))}
        </Pick>
      </label>
      <div className="wide-table">
        <ResultTableView table={table} />
      </div>
    </Block>
  )
}
