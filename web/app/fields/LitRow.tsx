import type { ReactNode } from 'react'
import { isThing } from '@viga/core'
import { MemberName } from './MemberName'
import { useRow } from './rows'

/** A row that is one thing: its label first, lit together with the thing on the Figure. */
export function LitRow({
  target,
  label,
  children,
  ...rest
}: {
  target: string
  label: string
  children: ReactNode
  'data-reaction'?: string
}) {
  const row = useRow(target)
  return (
    <tr {...row} {...rest}>
      <td>{isThing(target, 'member') ? <MemberName id={label} /> : <i>{label}</i>}</td>
      {children}
    </tr>
  )
}
