import { useRef, type KeyboardEvent, type PointerEvent } from 'react'

/** The angle of a direction, degrees counter-clockwise from the right, in steps of 15. */
interface Props {
  degrees: number | null
  onChange: (degrees: number) => void
  name: string
}

const RAD = Math.PI / 180

/**
 * A dial on which a direction is chosen: the arrow stands as the load acts, through the joint in the middle.
 */
export function Compass({ degrees, onChange, name }: Props) {
  const dial = useRef<SVGSVGElement>(null)
  const pick = (e: PointerEvent) => {
    const box = dial.current!.getBoundingClientRect()
    const [x, y] = [e.clientX - box.left - 44, box.top + 44 - e.clientY]
    if (Math.hypot(x, y) < 6) return
    // the handle is the tail: the load acts from it towards the middle
    onChange(((Math.round(Math.atan2(-y, -x) / RAD / 15) * 15 + 540) % 360) - 180)
  }
  const onKey = (e: KeyboardEvent) => {
    const main = { ArrowDown: -90, ArrowUp: 90, ArrowRight: 0, ArrowLeft: 180 }[e.key]
    if (main === undefined) return
    e.preventDefault()
    onChange(main)
  }
  const a = (degrees ?? 0) * RAD
  const [dx, dy] = [Math.cos(a), -Math.sin(a)]
  const tail = [44 - 32 * dx, 44 - 32 * dy]
  const tip = [44 - 4 * dx, 44 - 4 * dy]
  const back = [tip[0] - 10 * dx, tip[1] - 10 * dy]
  return (
    <svg
      ref={dial}
      className="compass"
      width="88"
      height="88"
      viewBox="0 0 88 88"
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuenow={degrees ?? 0}
      aria-valuetext={degrees === null ? 'none' : `${degrees}°`}
      onPointerDown={(e) => (e.currentTarget.setPointerCapture(e.pointerId), pick(e))}
      onPointerMove={(e) => e.buttons === 1 && pick(e)}
      onKeyDown={onKey}
    >
      <circle cx="44" cy="44" r="36" stroke="var(--hair-2)" fill="var(--paper)" />
      {Array.from({ length: 24 }, (_, i) => {
        const t = i * 15 * RAD
        const r = i % 6 === 0 ? 30 : 33
        return (
          <path
            key={i}
            d={
              `M${44 + r * Math.cos(t)} ${44 + r * Math.sin(t)}L${44 + 36 * Math.cos(t)} ` +
              `${44 + 36 * Math.sin(t)}`
            }
            stroke="var(--hair-2)"
          />
        )
      })}
      <path d="M18 44h52M44 18v52" stroke="var(--hair)" strokeWidth=".8" />
      {degrees !== null && (
        <>
          <path d={`M${tail}L${back}`} stroke="var(--load)" strokeWidth="1.8" />
          <path
            d={
              `M${tip}L${back[0] - 3.4 * dy} ${back[1] + 3.4 * dx}L${back[0] + 3.4 * dy} ` +
              `${back[1] - 3.4 * dx}Z`
            }
            fill="var(--load)"
          />
          <circle
            cx={tail[0]}
            cy={tail[1]}
            r="4"
            stroke="var(--load)"
            strokeWidth="1.4"
            fill="var(--sheet)"
          />
        </>
      )}
      <circle cx="44" cy="44" r="2.4" stroke="var(--ink)" strokeWidth="1.2" fill="var(--sheet)" />
    </svg>
  )
}
