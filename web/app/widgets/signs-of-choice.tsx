import type { ReactNode } from 'react'

/** The boxes and rings of choices, empty and chosen. */

const BOX = { width: 13, height: 13, viewBox: '0 0 13 13', fill: 'none', 'aria-hidden': true } as const

const frame: ReactNode = <rect x="0.6" y="0.6" width="11.8" height="11.8" stroke="var(--hair-2)" />
export const empty = <svg {...BOX}>{frame}</svg>
export const ticked = (
  <svg {...BOX}>
    <rect x="0.6" y="0.6" width="11.8" height="11.8" stroke="var(--cedar)" />
    <path d="M3 6.6l2.5 2.7L10 3.8" stroke="var(--cedar-deep)" strokeWidth="1.6" />
  </svg>
)
export const ring = (
  <svg {...BOX}>
    <circle cx="6.5" cy="6.5" r="5.7" stroke="var(--hair-2)" />
  </svg>
)
export const chosen = (
  <svg {...BOX}>
    <circle cx="6.5" cy="6.5" r="5.7" stroke="var(--cedar)" />
    <circle cx="6.5" cy="6.5" r="2.9" fill="var(--cedar-deep)" />
  </svg>
)
