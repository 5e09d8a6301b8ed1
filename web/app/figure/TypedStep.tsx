import { useEffect, useRef, useState } from 'react'
import { Line } from '../widgets/Line'
import { isOfField } from '../commands/typing'
import { Refusal } from '../fields/FieldSentence'
import type { Vec } from '@viga/drawing/marks'

interface Props {
  /** Where the pointer is; the field stands beside it. */
  at: Vec | null
  chained: boolean
  onPlace: (text: string) => string | null
}

/**
 * While drawing, a digit typed opens a field beside the pointer: a length, so far right and up, or so far at
 * an angle.
 */
export function TypedStep({ at, chained, onPlace }: Props) {
  const [text, setText] = useState<string | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOfField(e) || e.ctrlKey || e.metaKey || e.altKey || !/^[\d.(-]$/.test(e.key)) return
      e.preventDefault()
      e.stopPropagation()
      setText(e.key)
      setRefusal(null)
    }
    // before the keys of the page, where digits turn to the parts of the Sheet
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [])
  // When it opens.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(() => field.current?.focus(), [text === null])
  if (text === null) return null
  const place = () => {
    const message = onPlace(text)
    setRefusal(message)
    if (message === null) setText(null)
  }
  return (
    <div className="typed-step" style={{ left: (at?.x ?? 40) + 16, top: (at?.y ?? 40) + 12 }}>
      <Line
        ref={field}
        className="cell-input"
        typing
        aria-label={chained ? 'length or step of the member being drawn' : 'coordinates of the next joint'}
        value={text}
        spellCheck={false}
        onChange={(e) => {
          setText(e.target.value)
          setRefusal(null)
        }}
        onBlur={() => setText(null)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') place()
          if (e.key === 'Escape') setText(null)
          if (e.key === 'Enter' || e.key === 'Escape') {
            e.preventDefault()
            e.stopPropagation()
          }
        }}
      />
      <span className="quiet">{chained ? '4 · 3, 2 · 5 at 30' : 'x, y'}</span>
      <Refusal>{refusal}</Refusal>
    </div>
  )
}
