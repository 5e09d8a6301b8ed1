import { thing, dimension, edit, findPlace, type Load } from '@viga/core'
import { memo, useMemo, useState } from 'react'
import { Pick } from '../widgets/Pick'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { RemoveButton } from '../widgets/Block'
import { QuantityField } from '../fields/QuantityField'
import { useRow } from '../fields/rows'
import { TextField } from '../fields/TextField'
import {
  entryOf,
  loadOf,
  WAYS,
  waysFor,
  type Entry,
  type Sort,
  type Way,
} from '@viga/core/statement/load-entry'
import {
  asSort,
  BAR_SORTS,
  JOINT_SORTS,
  MEMBER_SORTS,
  moved,
  SORT_WORDS,
  sortOf,
  type LoadSort,
} from '@viga/core/statement/load-sorts'
import { LoadFields } from './LoadFields'

const DIMENSION = { force: dimension.force, moment: dimension.moment, uniform: dimension.forcePerLength }

interface RowProps {
  caseId: string
  index: number
  load: Load
}

/** What changes one load of a case. */
function useLoadEdits({ caseId, index, load }: RowProps) {
  const apply = useEdit()
  const on = load.type === 'nodal' ? load.node : load.member
  const name = `load on ${on}`
  const set = (change: (l: Load) => Load, merge?: string, shown = false) =>
    apply(
      name,
      (p) => edit.setLoad(p, caseId, index, change(p.loadCases!.find((c) => c.id === caseId)!.loads[index])),
      { merge, shown },
    )
  return {
    on,
    set,
    put: (e: Entry, merge?: string) =>
      set(() => loadOf(load.type === 'nodal' ? { node: on } : { member: on }, e), merge),
    remove: () => apply(name, (p) => edit.removeLoad(p, caseId, index)),
  }
}

/** The sorts of load that can act there: on a joint, a member in bending, or a bar. */
function useSorts(load: Load): readonly LoadSort[] {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const bar = useSheet(
    (s) =>
      load.type !== 'nodal' && (truss || s.problem.members.find((m) => m.id === load.member)?.type === 'bar'),
  )
  if (load.type !== 'nodal') return bar ? BAR_SORTS : MEMBER_SORTS
  return truss ? JOINT_SORTS.filter((s) => s !== 'moment') : JOINT_SORTS
}

/** One load as a row: on what, which sort, which way, how much, where. */
export const LoadRow = memo(function LoadRow(props: RowProps) {
  const { caseId, index, load } = props
  const store = useSheetStore()
  const row = useRow(thing.load(caseId, index))
  const [several, setSeveral] = useState(false)
  const stated = useMemo(() => entryOf(load), [load])
  const entry = several ? undefined : stated
  const { on, set, put, remove } = useLoadEdits(props)
  const sorts = useSorts(load)
  const sort = several ? 'components' : sortOf(load)
  const become = (to: LoadSort) => {
    setSeveral(to === 'components')
    set((l) => asSort(l, to))
  }
  const move = (to: string) => {
    const place = findPlace(store.getState().problem, to)
    if (!place.ok) return place.message
    return set((l) => moved(l, place), undefined, true)?.message ?? null
  }
  return (
    <tr {...row} data-row={index}>
      <td>
        <TextField className="letter" name={`what load ${index + 1} acts on`} value={on} onCommit={move} />
      </td>
      <td>
        <Pick
          className="cell-select"
          aria-label={`sort of load ${index + 1}`}
          value={sort}
          onChange={(e) => become(e.target.value as LoadSort)}
        >
          {[...new Set([sort, ...sorts])].map((s) => (
            <option key={s} value={s}>
              {SORT_WORDS[s]}
            </option>
          ))}
        </Pick>
      </td>
      {entry ? (
        <EntryCells caseId={caseId} index={index} entry={entry} onMember={load.type !== 'nodal'} put={put} />
      ) : (
        <td colSpan={3}>
          <LoadFields
            name={`load ${index + 1} of ${caseId}`}
            load={load}
            onChange={(l, merge) => set(() => l, merge)}
          />
        </td>
      )}
      <td>
        <RemoveButton what={`load ${index + 1}`} onClick={remove} />
      </td>
    </tr>
  )
})

interface EntryProps {
  caseId: string
  index: number
  entry: Entry
  put: (e: Entry, merge?: string) => ReturnType<Parameters<typeof QuantityField>[0]['onChange']>
}

/** Direction, amount and place of a load that is one amount. */
function EntryCells({ onMember, ...props }: EntryProps & { onMember: boolean }) {
  const { caseId, index, entry, put } = props
  const turn = (way: Way) =>
    put({ ...entry, way, angle: way === 'angle' ? (entry.angle ?? '-90 deg') : undefined })
  return (
    <>
      <td className="way">
        <WayChoice
          name={`direction of load ${index + 1}`}
          entry={entry}
          onMember={onMember}
          onChange={turn}
        />
      </td>
      <td>
        <QuantityField
          key={entry.sort}
          name={`amount of load ${index + 1} of ${caseId}`}
          value={entry.amount}
          dimension={DIMENSION[entry.sort]}
          unit
          onChange={(v, merge) => put({ ...entry, amount: v }, merge)}
        />
      </td>
      <td>
        <EntryPlace {...props} />
      </td>
    </>
  )
}

function EntryPlace({ caseId, index, entry, put }: EntryProps) {
  return (
    <>
      {entry.way === 'angle' && (
        <span className="rich-field wide">
          <QuantityField
            name={`angle of load ${index + 1} of ${caseId}`}
            value={entry.angle}
            dimension={dimension.angle}
            direction
            onChange={(v, merge) => put({ ...entry, angle: v }, merge)}
          />
        </span>
      )}
      {entry.at !== undefined && (
        <QuantityField
          name={`place of load ${index + 1} of ${caseId}`}
          value={entry.at}
          dimension={dimension.length}
          percent
          unit
          onChange={(v, merge) => put({ ...entry, at: v }, merge)}
        />
      )}
      {entry.sort === 'uniform' && (
        <Pick
          className="cell-select"
          aria-label={`measured along, load ${index + 1}`}
          value={entry.per ?? 'length'}
          disabled={/[xy]/.test(entry.way)}
          onChange={(e) => put({ ...entry, per: e.target.value as 'length' | 'projection' })}
        >
          <option value="length">along it</option>
          <option value="projection">
            {entry.way === 'left' || entry.way === 'right' ? 'on the vertical' : 'on the horizontal'}
          </option>
        </Pick>
      )}
    </>
  )
}

export function WayChoice({
  name,
  entry,
  onMember,
  onChange,
}: {
  name: string
  entry: { sort: Sort; way: Way }
  onMember: boolean
  onChange: (w: Way) => void
}) {
  return (
    <>
      <span aria-hidden="true">{WAYS[entry.way].sign}</span>
      <Pick
        className="cell-select over"
        aria-label={name}
        value={entry.way}
        title={WAYS[entry.way].label}
        onChange={(e) => onChange(e.target.value as Way)}
      >
        {waysFor(entry.sort, onMember).map((w) => (
          <option key={w} value={w}>
            {WAYS[w].label} {WAYS[w].sign}
          </option>
        ))}
      </Pick>
    </>
  )
}
