import { Press } from './Press'
import type { KeyboardEvent, ReactNode } from 'react'

/** A table of the Sheet, hung from the margin column by its name. */
export function Block({ title, children, note }: { title: string; children: ReactNode; note?: ReactNode }) {
  return (
    <section className="block" aria-label={title}>
      <h2>{title}</h2>
      <div>
        {children}
        {note}
      </div>
    </section>
  )
}

/**
 * Keys of a table of fields: enter goes to the same column of the next row, ctrl+arrows move between rows,
 * ctrl+delete takes the row out.
 */
export function onGridKeys(e: KeyboardEvent<HTMLElement>) {
  const field = e.target as HTMLElement
  const cell = field.closest('td')
  const row = field.closest('tr')
  if (!cell || !row) return
  const go = (to: Element | null) => {
    const next =
      to?.children[cell.cellIndex]?.querySelector<HTMLElement>('input, select') ??
      to?.querySelector<HTMLElement>('input, select')
    next?.focus()
    return next
  }
  const rowIn = (
    from: Element | null,
    step: 'nextElementSibling' | 'previousElementSibling',
  ): Element | null => {
    let r = from
    while (r && !r.querySelector('input, select')) r = r[step]
    return r
  }
  if (e.key === 'Enter' && !e.altKey && !e.defaultPrevented) {
    if (field.tagName === 'BUTTON') return
    e.preventDefault()
    go(rowIn(row.nextElementSibling, 'nextElementSibling'))
  } else if (e.key === 'ArrowDown' && (e.ctrlKey || field.tagName === 'INPUT')) {
    if (go(rowIn(row.nextElementSibling, 'nextElementSibling'))) e.preventDefault()
  } else if (e.key === 'ArrowUp' && (e.ctrlKey || field.tagName === 'INPUT')) {
    if (go(rowIn(row.previousElementSibling, 'previousElementSibling'))) e.preventDefault()
  } else if (e.key === 'Delete' && e.ctrlKey) {
    const remove = row.querySelector<HTMLElement>('.row-remove')
    if (!remove) return
    e.preventDefault()
    go(
      rowIn(row.nextElementSibling, 'nextElementSibling') ??
        rowIn(row.previousElementSibling, 'previousElementSibling'),
    )
    remove.click()
  }
}

export function RemoveButton({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <Press
      className="row-remove"
      tabIndex={-1}
      aria-label={`Take out ${what}`}
      title={`Take out ${what} (ctrl+delete)`}
      onClick={onClick}
    >
      ×
    </Press>
  )
}

interface MoreOrLessProps {
  open: boolean
  /** What is shown when it is open, for assistive technology. */
  what: string
  onToggle: (open: boolean) => void
  /** What the press says while it is closed. */
  words?: string
}

/** Opens what is seldom asked for of a row, and closes it again. */
export const MoreOrLess = ({ open, what, onToggle, words = 'more' }: MoreOrLessProps) => (
  <Press className="quiet link" aria-expanded={open} aria-label={what} onClick={() => onToggle(!open)}>
    {open ? 'less' : words}
  </Press>
)
