import { repairsOf, type Problem } from '@viga/core'
import { useLayoutEffect, useRef, type KeyboardEvent } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { Press } from '../widgets/Press'
import './fields.css'

/** The width a sentence has at most, in pixels; a narrow screen gives it less. */
const WIDEST_PX = 300
/** How far a sentence stays from the edge of the Sheet, in pixels. */
const MARGIN_PX = 8

/** A text that was refused and how it may be mended. */
export interface Mend {
  text: string
  /** The part of the text that was refused, where it is not the whole. */
  rest?: string
  /** Takes the mended text in place of the typed one. */
  take: (text: string) => void
}

interface Props {
  children: string
  id?: string
  /** Said aloud when it appears. */
  aloud?: boolean
  mend?: Mend
}

/** The texts that a refused text may be mended to, the likeliest first. */
function repairsFor({ text, rest }: Mend, { units, symbols }: Pick<Problem, 'units' | 'symbols'>): string[] {
  const part = rest ?? text
  const at = text.lastIndexOf(part)
  if (at < 0) return []
  return repairsOf(part, units, symbols).map((t) => text.slice(0, at) + t + text.slice(at + part.length))
}

/** A key handler for a refused field: takes the first repair at Alt Enter, and returns whether it did. */
export function useRepairKey(): (e: KeyboardEvent, mend: Mend | undefined) => boolean {
  const store = useSheetStore()
  return (e, mend) => {
    if (e.key !== 'Enter' || !e.altKey || !mend) return false
    const [first] = repairsFor(mend, store.getState().problem)
    if (first === undefined) return false
    e.preventDefault()
    e.stopPropagation()
    mend.take(first)
    return true
  }
}

/**
 * A sentence under its field, as wide as it needs: it reaches beyond the cell of a narrow field, to the side
 * where there is room. Under it stand the repairs to be pressed; Alt Enter in the field takes the first.
 */
export function FieldSentence({ children, id, aloud, mend }: Props) {
  const element = useRef<HTMLSpanElement>(null)
  useLayoutEffect(() => {
    const sentence = element.current
    const holder = sentence?.parentElement
    if (!sentence || !holder) return
    const frame = (
      sentence.closest('.sheet-scroll, .floating, main') ?? document.body
    ).getBoundingClientRect()
    const { left } = holder.getBoundingClientRect()
    const width = Math.min(WIDEST_PX, frame.width - 2 * MARGIN_PX)
    sentence.style.maxWidth = `${width}px`
    const beyond = left + sentence.offsetWidth - (frame.right - MARGIN_PX)
    sentence.style.marginLeft = beyond > 0 ? `${-beyond}px` : ''
  }, [children])
  return (
    <span ref={element} className="refusal" id={id} role={aloud ? 'alert' : undefined}>
      <span>{children}</span>
      {mend && <Repairs mend={mend} />}
    </span>
  )
}

function Repairs({ mend }: { mend: Mend }) {
  const problem = useSheet((s) => s.problem)
  const repairs = repairsFor(mend, problem)
  if (repairs.length === 0) return null
  return (
    <span className="repairs">
      {repairs.map((text, i) => (
        <Press
          key={text}
          className="link"
          // the field keeps the focus, so that leaving it does not take the unmended text
          onMouseDown={(e) => e.preventDefault()}
          onClick={() => mend.take(text)}
        >
          {text}
          {i === 0 && (
            <>
              {' '}
              <kbd>Alt</kbd> <kbd>↵</kbd>
            </>
          )}
        </Press>
      ))}
    </span>
  )
}

/** A sentence that refuses, at the place where it is; nothing where there is none. */
export function Refusal({ children, mend }: { children: string | null | undefined; mend?: Mend }) {
  return children ? (
    <FieldSentence aloud mend={mend}>
      {children}
    </FieldSentence>
  ) : null
}
