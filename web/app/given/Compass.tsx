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
      <Divisions />
      <path d="M18 44h52M44 18v52" stroke="var(--hair)" strokeWidth=".8" />
      {degrees !== null && <Arrow degrees={degrees} />}
      <circle cx="44" cy="44" r="2.4" stroke="var(--ink)" strokeWidth="1.2" fill="var(--sheet)" />
    </svg>
  )
}

/** A mark every 15 degrees, longer ones at the quarters. */
const Divisions = () =>
  Array.from({ length: 24 }, (_, i) => {
    const t = i * 15 * RAD
    const r = i % 6 === 0 ? 30 : 33
    const [c, s] = [Math.cos(t), Math.sin(t)]
    return (
      <path key={i} d={`M${44 + r * c} ${44 + r * s}L${44 + 36 * c} ${44 + 36 * s}`} stroke="var(--hair-2)" />
    )
  })

/** The arrow of the load, its tail with the handle at the rim, its tip at the joint. */
function Arrow({ degrees }: { degrees: number }) {
  const [dx, dy] = [Math.cos(degrees * RAD), -Math.sin(degrees * RAD)]
  const tail = [44 - 32 * dx, 44 - 32 * dy]
  const tip = [44 - 4 * dx, 44 - 4 * dy]
  const back = [tip[0] - 10 * dx, tip[1] - 10 * dy]
  const [left, right] = [-3.4, 3.4].map((w) => [back[0] + w * dy, back[1] - w * dx])
  return (
    <>
      <path d={`M${tail}L${back}`} stroke="var(--load)" strokeWidth="1.8" />
      <path d={`M${tip}L${left}L${right}Z`} fill="var(--load)" />
      <circle cx={tail[0]} cy={tail[1]} r="4" stroke="var(--load)" strokeWidth="1.4" fill="var(--sheet)" />
    </>
  )
}
