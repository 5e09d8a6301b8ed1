import { formatNumber, working } from '@viga/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { NumberMark } from './NumberMark'
import type { StepProps } from './step'

/** A large K as the pattern of its entries; a row asked for is written out below. */
export function PatternView({ solution, units, onPick }: Pick<StepProps, 'solution' | 'units'> & { onPick: (at: { row: number; column: number }) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [row, setRow] = useState(0)
  const n = solution.dofs.list.length
  const SIDE = 500
  useEffect(() => {
    const c = canvas.current?.getContext('2d')
    if (!c) return
    const style = getComputedStyle(document.documentElement)
    c.clearRect(0, 0, SIDE * 2, SIDE * 2)
    const cell = (2 * SIDE) / n
    c.fillStyle = style.getPropertyValue('--held-hatch')
    const free = solution.dofs.free * cell
    c.fillRect(free, 0, 2 * SIDE - free, 2 * SIDE)
    c.fillRect(0, free, 2 * SIDE, 2 * SIDE - free)
    c.fillStyle = style.getPropertyValue('--ink')
    for (const e of solution.elements) e.dofs.forEach((i, a) => e.dofs.forEach((j, b) => i >= 0 && j >= 0 && e.global[6 * a + b] !== 0 && c.fillRect(j * cell, i * cell, Math.max(cell, 1.2), Math.max(cell, 1.2))))
    c.fillStyle = style.getPropertyValue('--cedar')
    c.globalAlpha = 0.35
    c.fillRect(0, row * cell, 2 * SIDE, Math.max(cell, 2))
    c.globalAlpha = 1
  }, [solution, n, row])
  const entries = useMemo(() => {
    const columns = new Set<number>()
    for (const e of solution.elements) if (e.dofs.includes(row)) for (const j of e.dofs) if (j >= 0) columns.add(j)
    return [...columns].sort((a, b) => a - b).map((column) => ({ column, value: working.termsOf(solution, units, row, column).reduce((t, x) => t + x.value, 0) }))
  }, [solution, units, row])
  return (
    <>
      <canvas
        ref={canvas}
        width={SIDE * 2}
        height={SIDE * 2}
        className="pattern"
        role="img"
        aria-label={`pattern of the ${n} by ${n} matrix`}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect()
          const index = (v: number, size: number) => Math.max(0, Math.min(n - 1, Math.floor((v / size) * n)))
          const at = { row: index(e.clientY - box.top, box.height), column: index(e.clientX - box.left, box.width) }
          setRow(at.row)
          onPick(at)
        }}
      />
      <p className="prose">
        {n} rows and columns; every dark point is an entry that is not 0. Row{' '}
        <input type="number" className="row-number" min={1} max={n} value={row + 1} aria-label="row" onChange={(e) => setRow(Math.max(0, Math.min(n - 1, Number(e.target.value) - 1)))} /> reads:
      </p>
      <p className="row-entries">
        {entries.map(({ column, value }) => (
          <span key={column}>
            <NumberMark n={column + 1} free={column < solution.dofs.free} /> {formatNumber(value)}
          </span>
        ))}
      </p>
    </>
  )
}
