import type { SectionShape } from './cross-section'
import { outline } from './section-outline'

/** The cross-section, drawn to fit. */
export function SectionDrawing({ shape }: { shape: SectionShape }) {
  const { sides, properties } = shape
  const scale = 26 / Math.max(properties.depth, sides.b ?? 0, sides.bBottom ?? 0, sides.d ?? 0)
  const axis = (properties.depth / 2 - properties.yBottom) * scale
  return (
    <svg
      className="section-drawing"
      width="34"
      height="30"
      viewBox="-17 -15 34 30"
      role="img"
      aria-label="cross-section"
    >
      <path
        d={outline(shape, scale)}
        fill="var(--hair-2)"
        fillRule="evenodd"
        stroke="var(--ink)"
        strokeWidth="0.9"
      />
      <path d={`M-16 ${axis}H16`} stroke="var(--cedar)" strokeWidth="0.8" strokeDasharray="4 2 1 2" />
    </svg>
  )
}
