import {
  thing,
  dimension,
  edit,
  nextNodeLabel,
  placeNode,
  readRelative,
  renumberNodes,
  type Problem,
  type Quantity,
} from '@viga/core'
import { memo, useEffect, useRef, useState, type RefObject } from 'react'
import { undoInRow } from '../widgets/typed-steps'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { EXAMPLES } from '../fields/examples'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { baysRefusal, setGrid } from '@viga/core/statement/grid'
import { OneLine, type ReadLine } from '../fields/OneLine'
import { RowCell } from '../fields/RowCell'
import { OfThing } from '../fields/of-thing'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { useRow } from '../fields/rows'
import { useWindowed } from '../fields/windowed'
import { LeftRows } from './LeftRows'

const NEW_JOINTS = { table: 'joints', column: 'x' } as const

export function Joints({ onStart }: { onStart: () => void }) {
  const nodes = useSheet((s) => s.problem.nodes)
  const length = useSheet((s) => s.problem.units.length)
  const { rows, others } = useWindowed(nodes, (n) => thing.node(n.id), 4)
  return (
    <Block title="Joints">
      <table className="t" data-rows="joints" onKeyDown={onGridKeys} style={{ tableLayout: 'fixed' }}>
        <colgroup>
          <col style={{ width: 62 }} />
          <col />
          <col />
          <col style={{ width: 24 }} />
        </colgroup>
        <thead>
          <tr>
            <th>Joint</th>
            <th>x, {length}</th>
            <th>y, {length}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map(({ item: n, i }) => (
            <OfThing key={n.id} thing={thing.node(n.id)}>
              <JointRow id={n.id} x={n.x} y={n.y} at={i} />
            </OfThing>
          ))}
          {others}
          <LeftRows place={NEW_JOINTS} columns={4} />
          <NewJoint />
          {nodes.length > 0 && <RelativeJoint />}
        </tbody>
      </table>
      <JointTools onStart={onStart} />
    </Block>
  )
}

interface JointRowProps {
  id: string
  x: Quantity
  y: Quantity
  /** Its place in the list, for cells that are pasted from there on. */
  at: number
}

/** A joint. Its cells are drawn anew each for itself: an edit of x touches the field of x alone. */
const JointRow = memo(function JointRow({ id, x, y, at }: JointRowProps) {
  const row = useRow(thing.node(id))
  return (
    <tr {...row} data-row={at}>
      <td>
        <JointLabel id={id} />
      </td>
      <td data-column="x">
        <Coordinate of={id} axis="x" value={x} />
      </td>
      <td data-column="y">
        <Coordinate of={id} axis="y" value={y} />
      </td>
      <td>
        <RemoveJoint id={id} />
      </td>
    </tr>
  )
})

const JointLabel = memo(function JointLabel({ id }: { id: string }) {
  const store = useSheetStore()
  const apply = useEdit()
  const rename = (to: string) => {
    if (store.getState().problem.nodes.some((n) => n.id === to)) return `There is a joint ${to} already.`
    return (
      apply(`rename ${id}`, (p) => edit.renameNode(p, id, to), { select: thing.node(to), shown: true })
        ?.message ?? null
    )
  }
  return <TextField className="letter" name={`label of joint ${id}`} value={id} onCommit={rename} />
})

const Coordinate = memo(function Coordinate({
  of,
  axis,
  value,
}: {
  of: string
  axis: 'x' | 'y'
  value: Quantity
}) {
  const apply = useEdit()
  const name = `${axis} of ${of}`
  return (
    <QuantityField
      name={name}
      value={value}
      dimension={dimension.length}
      onChange={(v, merge) => apply(name, (p) => edit.setNode(p, of, { [axis]: v }), { merge })}
    />
  )
})

const RemoveJoint = memo(function RemoveJoint({ id }: { id: string }) {
  const apply = useEdit()
  return (
    <RemoveButton
      what={`joint ${id}`}
      onClick={() => apply(`take out ${id}`, (p) => edit.removeNodes(p, [id]))}
    />
  )
})

/** A new joint of which nothing is typed yet. */
const EMPTY = { id: '', x: '', y: '' }

/** The field of a new joint that an error is about, by the error's place in the document. */
const fieldOf = (path: string): 'id' | 'x' | 'y' =>
  path.endsWith('.x') ? 'x' : path.endsWith('.y') ? 'y' : 'id'

/** In an empty problem the first coordinate has the focus, but not where that would open a keyboard. */
function useFirstFocus(row: RefObject<HTMLTableRowElement | null>) {
  const store = useSheetStore()
  useEffect(() => {
    const isEmpty = store.getState().problem.nodes.length === 0
    const isElsewhere = document.activeElement !== null && document.activeElement !== document.body
    if (isEmpty && !isElsewhere && window.matchMedia?.('(hover: hover)').matches)
      row.current?.querySelectorAll('input')[1]?.focus({ preventScroll: true })
  }, [store, row])
}

/** The empty row: x, tab, y, enter makes a joint under the next free letter. */
const NewJoint = memo(function NewJoint() {
  const apply = useEdit()
  const label = useSheet((s) => nextNodeLabel(s.problem))
  const [fields, setFields] = useNewRow('joint', EMPTY)
  const [refusal, setRefusal] = useState<{ at: 'id' | 'x' | 'y'; message: string } | null>(null)
  const row = useRef<HTMLTableRowElement>(null)
  useFirstFocus(row)
  const add = () => {
    if (fields.x.trim() === '' || fields.y.trim() === '') return false
    const error = apply(
      'joint',
      (p) => edit.addNode(p, edit.typed(fields.x), edit.typed(fields.y), fields.id.trim() || label),
      { shown: true },
    )
    setRefusal(error && { at: fieldOf(error.path), message: error.message })
    if (error) return false
    setFields(EMPTY)
    return true
  }
  const input = (key: 'id' | 'x' | 'y', name: string, placeholder: string) => (
    <RowCell
      name={name}
      placeholder={placeholder}
      className={key === 'id' ? 'letter' : ''}
      value={fields[key]}
      refusal={refusal?.at === key ? refusal : undefined}
      onChange={(text) => {
        setFields({ ...fields, [key]: text })
        setRefusal(null)
      }}
      onEscape={() => {
        if (fields.id + fields.x + fields.y === '') return false
        setFields(EMPTY)
        setRefusal(null)
        return true
      }}
      onEnter={() => {
        const inputs = row.current?.querySelectorAll('input')
        inputs?.[add() || fields.x.trim() === '' ? 1 : 2].focus()
      }}
    />
  )
  return (
    <tr
      ref={row}
      className="new-row"
      onKeyDown={undoInRow}
      onBlur={(e) => !row.current?.contains(e.relatedTarget) && add()}
    >
      <td>{input('id', 'label of a new joint', label)}</td>
      <td>{input('x', 'x of a new joint', 'x')}</td>
      <td>{input('y', 'y of a new joint', 'y')}</td>
      <td />
    </tr>
  )
})

/** A joint stated by others: so far from one, or where two members meet. */
const RelativeJoint = memo(function RelativeJoint() {
  const read = (problem: Problem, text: string): ReadLine => {
    const at = readRelative(text, problem)
    if (!at)
      return {
        message: 'Write from A: 3, 2 (right, up), from A: 5 at 30 (length, degrees), or AB meets CD.',
      }
    if ('message' in at) return at
    return { name: 'joint', change: (p) => placeNode(p, at.x, at.y).problem }
  }
  return (
    <OneLine name="joint stated by others" placeholder={EXAMPLES.jointByOthers} columns={4} read={read} />
  )
})

/** Names for all joints at once, and the grid to draw on. */
const JointTools = memo(function JointTools({ onStart }: { onStart: () => void }) {
  const apply = useEdit()
  const count = useSheet((s) => s.problem.nodes.length)
  const [open, setOpen] = useState(false)
  const rename = (value: string) => {
    const [style, order] = value.split(' ') as ['letters' | 'numbers', 'listed' | 'place']
    apply('names of the joints', (p) => edit.renameNodes(p, renumberNodes(p, style, order)))
  }
  return (
    <div className="note">
      {count > 1 && (
        <Pick
          className="cell-select rename"
          aria-label="name all joints"
          value=""
          onChange={(e) => rename(e.target.value)}
        >
          <option value="">name all joints</option>
          <option value="letters listed">A, B, C as listed</option>
          <option value="letters place">A, B, C from left to right</option>
          <option value="numbers listed">1, 2, 3 as listed</option>
          <option value="numbers place">1, 2, 3 from left to right</option>
        </Pick>
      )}
      {count > 0 && (
        <Press className="quiet link" onClick={onStart}>
          insert a beam, frame or truss
        </Press>
      )}
      <Press className="quiet link" aria-expanded={open} onClick={() => setOpen(!open)}>
        grid of bays
      </Press>
      {open && <GridFields />}
    </div>
  )
})

/** The spacings of the person's own grid, across and up. */
function GridFields() {
  const apply = useEdit()
  const store = useSheetStore()
  const grid = useSheet((s) => s.problem.view?.grid)
  const kept = (grid ?? {}) as { across?: string; up?: string }
  const put = (across: string, up: string) => {
    const { problem } = store.getState()
    return (
      baysRefusal(across, problem) ??
      baysRefusal(up, problem) ??
      apply('grid', (p) => setGrid(p, across, up), { shown: true })?.message ??
      null
    )
  }
  return (
    <span className="grid-fields">
      across{' '}
      <TextField
        name="grid across"
        placeholder={EXAMPLES.gridAcross}
        value={String(kept.across ?? '')}
        onCommit={(t) => put(t, String(kept.up ?? ''))}
      />{' '}
      up{' '}
      <TextField
        name="grid up"
        placeholder={EXAMPLES.gridUp}
        value={String(kept.up ?? '')}
        onCommit={(t) => put(String(kept.across ?? ''), t)}
      />
    </span>
  )
}
