import type { ReactNode } from 'react'
import { TopLine } from '../widgets/TopLine'
import './people.css'

/** A page of words and forms: one column, as a sheet of paper. */
export function PaperPage({
  title,
  lead,
  children,
}: {
  title: string
  lead?: ReactNode
  children: ReactNode
}) {
  return (
    <>
      <TopLine />
      <main className="paper-page">
        <h1>{title}</h1>
        {lead && <p className="paper-lead">{lead}</p>}
        {children}
      </main>
    </>
  )
}
