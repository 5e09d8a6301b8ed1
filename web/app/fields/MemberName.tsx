import { joinsOf } from '@viga/core'
import { useSheet } from '../sheet/context'

/** A member's label, and quietly the joints it joins where the label does not say them. */
export function MemberName({ id }: { id: string }) {
  const joins = useSheet((s) => joinsOf(s.problem, id))
  return (
    <>
      <i>{id}</i>
      {joins && <span className="quiet joins"> {joins}</span>}
    </>
  )
}
