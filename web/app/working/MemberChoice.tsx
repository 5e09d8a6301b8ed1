import { thing } from '@viga/core'
import type { Solution } from '@viga/core'
import { useSearchParams } from 'react-router'
import { Pick } from '../widgets/Pick'
import { Toggle } from '../widgets/Toggle'
import { useSheetStore } from '../sheet/context'

/** Which member is written out: kept in the address, so that a link shows the same page. */
export function useMember(solution: Solution): [number, (index: number) => void] {
  const [params, setParams] = useSearchParams()
  const { members } = solution.structure
  const found = members.findIndex((m) => m.id === params.get('member'))
  return [
    Math.max(0, found),
    (i) => setParams({ member: members[i].id }, { replace: true, preventScrollReset: true }),
  ]
}

/** The members to choose from, by index; all of them unless some are named. */
export function MemberChoice({
  solution,
  at,
  onChoose,
  among,
}: {
  solution: Solution
  at: number
  onChoose: (i: number) => void
  among?: readonly number[]
}) {
  const store = useSheetStore()
  const all = solution.structure.members
  const members = (among ?? all.map((_, i) => i)).map((i) => ({ ...all[i], i }))
  if (members.length > 14)
    return (
      <Pick
        className="cell-select member-select"
        aria-label="Member"
        value={at}
        onChange={(e) => onChoose(Number(e.target.value))}
      >
        {members.map(({ id, i }) => (
          <option key={id} value={i}>
            {id}
          </option>
        ))}
      </Pick>
    )
  return (
    <div className="member-choice" role="group" aria-label="Member">
      {members.map(({ id, i }) => (
        <Toggle
          key={id}
          type="button"
          on={i === at}
          onClick={() => onChoose(i)}
          onMouseEnter={() => store.getState().point(thing.member(id))}
          onMouseLeave={() => store.getState().point(null)}
        >
          {id}
        </Toggle>
      ))}
    </div>
  )
}
