import { edit } from '@viga/core'
import { Press } from '../widgets/Press'
import { useSheet, useEdit } from '../sheet/context'
import { EntryEditor } from './MemberEditor'
import { ForceFields } from './entry-fields'
import { entryOf, loadOf, type Entry } from '@viga/core/statement/load-entry'
import { LoadFields } from './LoadFields'

/** One load, where it is pressed on the Figure. */
export function LoadEditor({ caseId, index }: { caseId: string; index: number }) {
  const apply = useEdit()
  const load = useSheet((s) => s.problem.loadCases?.find((c) => c.id === caseId)?.loads[index])
  if (!load) return null
  const entry = entryOf(load)
  const on = load.type === 'nodal' ? load.node : load.member
  const put = (e: Entry, merge?: string) =>
    apply(
      `load on ${on}`,
      (p) => edit.setLoad(p, caseId, index, loadOf(load.type === 'nodal' ? { node: on } : { member: on }, e)),
      { merge },
    )
  const name = `this load on ${on}`
  return (
    <>
      {!entry ? (
        <LoadFields
          name={name}
          load={load}
          onChange={(l, merge) => apply(`load on ${on}`, (p) => edit.setLoad(p, caseId, index, l), { merge })}
        />
      ) : load.type === 'nodal' ? (
        <ForceFields name={name} entry={entry} onChange={put} />
      ) : (
        <EntryEditor name={name} entry={entry} onChange={put} />
      )}
      <footer className="editor-foot">
        <span>
          {load.type === 'point'
            ? 'drag it along the member'
            : load.type === 'distributed'
              ? 'pull its corners'
              : ''}
        </span>
        <Press
          onClick={() => apply(`load on ${on}`, (p) => edit.removeLoad(p, caseId, index), { select: null })}
        >
          take it out
        </Press>
      </footer>
    </>
  )
}
