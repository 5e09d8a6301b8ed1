import { Press } from '../widgets/Press'
import type { Member, SupportType } from '@viga/core'

/** A member's two ends as drawn: a bar is rigid, a circle hinged. Pressing an end turns it into the other. */
export function EndsSymbol({ m, onToggle }: { m: Member; onToggle: (end: 'start' | 'end') => void }) {
  if (m.type === 'bar') return <span className="quiet">bar</span>
  return (
    <span className="ends">
      {(['start', 'end'] as const).map((end) => {
        const M = m.releases?.[end]?.M
        const other = m.releases?.[end]?.N !== undefined || m.releases?.[end]?.V !== undefined
        const words = M === true ? 'hinged' : M !== undefined ? 'sprung' : 'rigid'
        const x = end === 'start' ? 6 : 24
        return (
          <Press
            key={end}
            type="button"
            aria-label={`${end} of ${m.id}: ${words}`}
            title={`${end === 'start' ? m.start : m.end}: ${words}${other ? ', other releases' : ''}`}
            onClick={() => onToggle(end)}
          >
            <svg width="30" height="14" viewBox="0 0 30 14" fill="none" aria-hidden="true">
              <path d={end === 'start' ? 'M6 5.4H30M6 8.6H30' : 'M0 5.4H24M0 8.6H24'} stroke="var(--ink)" />
              {M === undefined ? (
                <path d={`M${x} 2.5v9`} stroke="var(--ink)" strokeWidth="1.4" />
              ) : (
                <circle
                  cx={x}
                  cy="7"
                  r="3.6"
                  stroke="var(--ink)"
                  strokeWidth="1.3"
                  fill={M === true ? 'var(--sheet)' : 'var(--cedar-tint)'}
                />
              )}
              {other && <path d={`M${x - 3} 13h6`} stroke="var(--ink)" />}
            </svg>
          </Press>
        )
      })}
    </span>
  )
}

const hatch = (x0: number, x1: number, y: number) => {
  let d = ''
  for (let x = x0 + 4; x <= x1 + 0.1; x += 4) d += `M${x} ${y + 0.5}l-4.2 5`
  return d
}

/** The drawn symbols of the supports, 30 × 26. */
export function SupportSymbol({ type }: { type: SupportType | 'none' | 'spring' }) {
  const triangle = (y: number, h: number) => `M15 ${y}L${15 - h * 0.66} ${y + h}H${15 + h * 0.66}Z`
  return (
    <svg width="30" height="26" viewBox="0 0 30 26" fill="none" stroke="var(--ink)" aria-hidden="true">
      {type === 'none' && <circle cx="15" cy="13" r="2.4" stroke="var(--ink-2)" strokeWidth="1.2" />}
      {type === 'fixed' && (
        <>
          <path d="M15 3v12" strokeWidth="2.2" />
          <path d="M5 15h20" strokeWidth="1.5" />
          <path d={hatch(5, 25, 15)} strokeWidth=".8" />
        </>
      )}
      {type === 'pin' && (
        <>
          <path d={triangle(5, 10.6)} strokeLinejoin="round" fill="var(--paper)" />
          <path d="M4 15.6h22" strokeWidth="1.5" />
          <path d={hatch(4, 26, 15.6)} strokeWidth=".8" />
          <circle cx="15" cy="5" r="2.5" fill="var(--paper)" />
        </>
      )}
      {type === 'roller' && (
        <>
          <path d={triangle(4, 9.9)} strokeLinejoin="round" fill="var(--paper)" />
          <circle cx="11.3" cy="16" r="1.8" fill="var(--paper)" strokeWidth=".9" />
          <circle cx="18.7" cy="16" r="1.8" fill="var(--paper)" strokeWidth=".9" />
          <path d="M5 18.4h20" strokeWidth="1.5" />
          <path d={hatch(5, 25, 18.4)} strokeWidth=".8" />
          <circle cx="15" cy="4" r="2.3" fill="var(--paper)" />
        </>
      )}
      {type === 'guide' && (
        <>
          <path d="M15 2v8" strokeWidth="2.2" />
          <path d="M6 10h18" strokeWidth="1.5" />
          <circle cx="10.5" cy="13" r="2.1" fill="var(--paper)" strokeWidth=".9" />
          <circle cx="19.5" cy="13" r="2.1" fill="var(--paper)" strokeWidth=".9" />
          <path d="M5 15.6h20" strokeWidth="1.5" />
          <path d={hatch(5, 25, 15.6)} strokeWidth=".8" />
        </>
      )}
      {type === 'slider' && (
        <>
          <path d="M26 12h-8" strokeWidth="2.2" />
          <path d="M18 4v16" strokeWidth="1.5" />
          <circle cx="15" cy="8" r="2.1" fill="var(--paper)" strokeWidth=".9" />
          <circle cx="15" cy="16" r="2.1" fill="var(--paper)" strokeWidth=".9" />
          <path d="M12.4 3v18" strokeWidth="1.5" />
          <path d="M12 6l-4 4M12 10l-4 4M12 14l-4 4M12 18l-4 4" strokeWidth=".8" />
        </>
      )}
      {type === 'spring' && (
        <>
          <path d="M15 1v3l5 2.2l-10 3l10 3l-10 3l5 2v2" strokeWidth="1.1" strokeLinejoin="round" />
          <path d="M6 17.4h18" strokeWidth="1.5" />
          <path d={hatch(6, 24, 17.4)} strokeWidth=".8" />
        </>
      )}
    </svg>
  )
}
