import { thing, zeroForceMembers, zeroForceReason } from '@viga/core'
import { useMemo } from 'react'
import { useRow } from '../fields/rows'
import { Block } from '../widgets/Block'
import type { Solved } from './solved'

/** The members of a truss without force, each with the joint and the rule that show it. */
export function ZeroForceBlock({ solution, action }: Solved) {
  const found = useMemo(() => zeroForceMembers(solution, action), [solution, action])
  if (found.length === 0) return null
  if (found.length === solution.structure.members.length)
    return <p className="prose">There are no loads yet in this case, so no member carries a force.</p>
  return (
    <Block title="No force">
      <ul className="reasons">
        {found.map((z) => (
          <Reason key={z.member} member={z.member} words={zeroForceReason(z)} />
        ))}
      </ul>
    </Block>
  )
}

function Reason({ member, words }: { member: string; words: string }) {
  const row = useRow(thing.member(member))
  return (
    <li {...row}>
      <i>{member}</i>
      <span>{words}</span>
    </li>
  )
}
