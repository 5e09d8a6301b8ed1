import InputBase from '@mui/material/InputBase'
import { edit } from '@viga/core'
import { useState } from 'react'
import { Choice } from '../widgets/Choice'
import { Tick } from '../widgets/Tick'
import { Press } from '../widgets/Press'
import { takeEdits } from '../figure/gestures'
import * as handEdits from '../figure/hand-edits'
import { useSheet, useEdit } from '../sheet/context'
import { Joints } from './Joints'
import { Loads } from './Loads'
import { Members } from './Members'
import { Properties } from './Properties'
import { Start } from './Start'
import { Supports } from './Supports'
import { Symbols } from './Symbols'
import { Doubts } from './Doubts'
import './given.css'
import './rows.css'
import './detail.css'

takeEdits(handEdits)

/** The statement: everything the person gives, in tables that take the keyboard. */
export function Given() {
  const [starting, setStarting] = useState(false)
  return (
    <>
      <div className="sheet-body">
        <Statement />
        <Kind />
        <Symbols />
        <Start open={starting} setOpen={setStarting} />
        <Joints onStart={() => setStarting(true)} />
        <Members />
        <Supports />
        <Loads />
        <Properties />
        <Doubts />
      </div>
      <footer className="sheet-foot">
        <div className="hints">
          <span>?: all keys</span>
          <span>alt j m s l: joints, members, supports, loads</span>
          <span>enter: next row</span>
          <span>ctrl delete: remove the row</span>
        </div>
      </footer>
    </>
  )
}

/** The question as printed; where it is from and notes of one's own, on demand. */
function Statement() {
  const source = useSheet((s) => s.problem.source)
  const notes = useSheet((s) => s.problem.notes)
  const [open, setOpen] = useState(false)
  return (
    <>
      <Words
        of="statement"
        label="Statement of the problem"
        placeholder="The question, as the book prints it"
      />
      {(open || source !== undefined) && (
        <Words of="source" label="Source" placeholder="Where it comes from" />
      )}
      {(open || notes !== undefined) && <Words of="notes" label="Notes" placeholder="Notes of your own" />}
      {!open && source === undefined && notes === undefined && (
        <Press className="quiet link words-more" onClick={() => setOpen(true)}>
          source, notes
        </Press>
      )}
    </>
  )
}

const LONGEST = { statement: 20_000, source: 2000, notes: 20_000 }

function Words({
  of,
  label,
  placeholder,
}: {
  of: 'statement' | 'source' | 'notes'
  label: string
  placeholder: string
}) {
  const apply = useEdit()
  const text = useSheet((s) => s.problem[of] ?? '')
  return (
    <InputBase
      multiline
      className={`statement ${of}`}
      placeholder={placeholder}
      value={text}
      slotProps={{ input: { 'aria-label': label, maxLength: LONGEST[of] } }}
      onChange={(e) => apply(of, (p) => edit.setText(p, of, e.target.value), { merge: of })}
    />
  )
}

const KINDS = [
  ['frame', 'Members bend: a beam or frame'],
  ['truss', 'Members carry axial force alone: a truss'],
] as const

function Kind() {
  const apply = useEdit()
  const kind = useSheet((s) => s.problem.kind)
  const neglect = useSheet((s) => s.problem.analysis?.neglectAxial === true)
  const order = useSheet((s) => s.problem.analysis?.order ?? 1)
  return (
    <div className="kind">
      <Choice
        label="Kind of structure"
        options={KINDS}
        value={kind}
        onChange={(key) => apply('kind of structure', (p) => edit.setKind(p, key))}
      />
      {kind === 'frame' && (
        <label className={neglect ? 'on' : ''}>
          <Tick
            checked={neglect}
            onChange={(e) => apply('axial deformation', (p) => edit.setNeglectAxial(p, e.target.checked))}
          />
          Members keep their length (axial deformation neglected)
        </label>
      )}
      <label className={order === 2 ? 'on' : ''}>
        <Tick
          checked={order === 2}
          onChange={(e) => apply('order of analysis', (p) => edit.setOrder(p, e.target.checked ? 2 : 1))}
        />
        Second order (equilibrium on the bent shape)
      </label>
    </div>
  )
}
