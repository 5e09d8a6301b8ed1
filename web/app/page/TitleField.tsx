import { edit } from '@viga/core'
import { useState } from 'react'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { useSheet, useEdit } from '../sheet/context'

/** The problem's title, edited where it stands. */
export function TitleField() {
  const apply = useEdit()
  const title = useSheet((s) => s.problem.title)
  const [text, setText] = useState<string | null>(null)
  const commit = () => {
    const next = text?.trim()
    if (next) apply('title', (p) => edit.setText(p, 'title', next))
    setText(null)
  }
  if (text === null)
    return (
      <Press className="top-title" title="Rename" onClick={() => setText(title)}>
        {title}
      </Press>
    )
  return (
    <Line
      className="top-title title-field"
      value={text}
      maxLength={300}
      typing
      aria-label="Title"
      autoFocus
      onFocus={(e) => e.target.select()}
      onChange={(e) => setText(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => {
        if (e.key === 'Enter') commit()
        if (e.key === 'Escape') setText(null)
      }}
    />
  )
}
