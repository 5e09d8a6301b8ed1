import type { ReactNode } from 'react'

/** A table that needs the whole width of the Sheet: its name stands above it. */
export function WideBlock({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="wide-block" aria-label={title}>
      <h2>{title}</h2>
      <div className="wide-table">{children}</div>
    </section>
  )
}
