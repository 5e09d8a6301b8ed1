import { thing, edit, formatPlain, readChain, type Member, type Problem } from '@viga/core'
import { createContext, lazy, memo, Suspense, useContext, useMemo, useState } from 'react'
import { Pick } from '../widgets/Pick'
import { EXAMPLES } from '../fields/examples'
import { structureOf, useDisplay, useSheet, useSheetStore, useEdit, useTypedEdit } from '../sheet/context'
import { Block, onGridKeys, MoreOrLess, RemoveButton } from '../widgets/Block'
import { OfThing } from '../fields/of-thing'
import { OneLine, type ReadLine } from '../fields/OneLine'
import { TextField } from '../fields/TextField'
import { useRow } from '../fields/rows'
import { useWindowed } from '../fields/windowed'
import { LeftRows } from './LeftRows'
import { EndsSymbol } from './drawn-symbols'

// what is seldom asked for of a row comes when it is first opened
const MemberDetail = lazy(() => import('./MemberDetail').then((m) => ({ default: m.MemberDetail })))

const NEW_MEMBERS = { table: 'members' } as const

export function Members() {
  const members = useSheet((s) => s.problem.members)
  const outcome = useSheet((s) => s.outcome)
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const sections = useSheet((s) => s.problem.sections)
  const materials = useSheet((s) => s.problem.materials)
  const lengths = useMemo(
    () => new Map(structureOf(outcome)?.members.map((m) => [m.id, m.length])),
    [outcome],
  )
  const sectionIds = useMemo(() => sections?.map((s) => s.id) ?? [], [sections])
  const materialIds = useMemo(() => materials?.map((s) => s.id) ?? [], [materials])
  const { rows, others } = useWindowed(members, (m) => thing.member(m.id), 7)
  return (
    <Block title="Members">
      <Lengths value={lengths}>
        <table className="t" data-rows="members" onKeyDown={onGridKeys}>
          <thead>
            <tr>
              <th style={{ width: 92 }}>Member</th>
              <th>Length</th>
              <th>Section</th>
              {(materials?.length ?? 0) > 1 && <th>Material</th>}
              {!truss && <th>Ends</th>}
              <td />
              <td style={{ width: 24 }} />
            </tr>
          </thead>
          <tbody>
            {rows.map(({ item: m }) => (
              <OfThing key={m.id} thing={thing.member(m.id)}>
                <MemberRow m={m} truss={truss} sections={sectionIds} materials={materialIds} />
              </OfThing>
            ))}
            {others}
            <LeftRows place={NEW_MEMBERS} columns={7} />
            <NewMembers />
          </tbody>
        </table>
      </Lengths>
    </Block>
  )
}

/** The lengths of the members by label, m: of a row whose joint moves only the length is drawn anew. */
const Lengths = createContext<ReadonlyMap<string, number>>(new Map())

function Length({ of }: { of: string }) {
  const length = useContext(Lengths).get(of)
  const { perSI, unit } = useDisplay().length
  return length === undefined ? null : `${formatPlain(length * perSI, 4)} ${unit}`
}

interface RowProps {
  m: Member
  truss: boolean
  sections: string[]
  materials: string[]
}

const MemberRow = memo(function MemberRow({ m, truss, sections, materials }: RowProps) {
  const apply = useEdit()
  const row = useRow(thing.member(m.id))
  const [open, setOpen] = useState(false)
  const toggle = (end: 'start' | 'end') =>
    apply(`hinge of ${m.id}`, (p) => edit.setHinge(p, m.id, end, m.releases?.[end]?.M !== true))
  return (
    <>
      <tr {...row}>
        <td title={`from ${m.start} to ${m.end}`}>
          <MemberLabel m={m} />
        </td>
        <td className="ro">
          <Length of={m.id} />
        </td>
        <td>
          <Choice of={m} name="section" options={sections} />
        </td>
        {materials.length > 1 && (
          <td>
            <Choice of={m} name="material" options={materials} />
          </td>
        )}
        {!truss && (
          <td>
            <EndsSymbol m={m} onToggle={toggle} />
          </td>
        )}
        <td>
          <MoreOrLess
            open={open}
            what={`ends and behaviour of ${m.id}`}
            onToggle={setOpen}
            words={memberWords(m) || undefined}
          />
        </td>
        <td>
          <RemoveButton
            what={`member ${m.id}`}
            onClick={() => apply(`take out ${m.id}`, (p) => edit.removeMembers(p, [m.id]))}
          />
        </td>
      </tr>
      {open && (
        <tr className="detail-row">
          <td colSpan={7}>
            <Suspense>
              <MemberDetail m={m} />
            </Suspense>
          </td>
        </tr>
      )}
    </>
  )
})

function MemberLabel({ m }: { m: Member }) {
  const store = useSheetStore()
  const typed = useTypedEdit()
  const rename = (to: string) =>
    store.getState().problem.members.some((o) => o.id === to)
      ? `There is a member ${to} already.`
      : typed(`rename ${m.id}`, (p) => edit.renameMember(p, m.id, to))
  return <TextField className="letter" name={`label of member ${m.id}`} value={m.id} onCommit={rename} />
}

/** What is not ordinary about a member, in few words. */
function memberWords(m: Member): string {
  const partial = [m.releases?.start, m.releases?.end].some(
    (r) => r && (r.N !== undefined || r.V !== undefined || (r.M !== undefined && r.M !== true)),
  )
  return [m.axiallyRigid ? 'keeps length' : '', m.shearDeformation ? 'shear' : '', partial ? 'releases' : '']
    .filter(Boolean)
    .join(', ')
}

/** The section or the material of a member, by name. */
function Choice({ of: m, name, options }: { of: Member; name: 'section' | 'material'; options: string[] }) {
  const apply = useEdit()
  return (
    <Pick
      className="cell-select"
      aria-label={`${name} of ${m.id}`}
      value={m[name] ?? ''}
      onChange={(e) =>
        apply(`${name} of ${m.id}`, (p) => edit.setMember(p, m.id, { [name]: e.target.value || undefined }))
      }
    >
      {m[name] === undefined && <option value="">choose</option>}
      {options.map((o) => (
        <option key={o} value={o}>
          {o}
        </option>
      ))}
    </Pick>
  )
}

/** Joints one after another make a chain of members: ABC, or 1 2 3. */
const NewMembers = memo(function NewMembers() {
  const read = (problem: Problem, text: string): ReadLine => {
    const chain = readChain(problem, text)
    if (!Array.isArray(chain)) return chain
    if (chain.length < 2) return { message: 'A member joins two joints: type both, such as AB.' }
    const change = (p: Problem) => edit.addMembers(p, chain)
    return change(problem).members.length === problem.members.length
      ? { message: 'These joints are connected already.' }
      : { name: 'members', change }
  }
  return (
    <OneLine
      name="joints of new members"
      placeholder={EXAMPLES.members}
      columns={7}
      className="letter"
      read={read}
    />
  )
})
