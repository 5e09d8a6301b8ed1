import { formatNumber, working } from '@viga/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { NumberMark } from './NumberMark'
import type { StepProps } from './step'

/** A large K as the pattern of its entries; a row asked for is written out below. */
export function PatternView({ solution, units, onPick }: Pick<StepProps, 'solution' | 'units'> & { onPick: (at: { row: number; column: number }) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [row, setRow] = useState(0)
  const n = solution.dofs.list.length
  const all = useMemo(() => working.unknowns(solution), [solution])
  const SIDE = 500
  // rows and columns stand in the order of their numbers
  const dofAt = useMemo(() => working.inOrder(all).map((u) => u.index), [all])
  useEffect(() => {
    const c = canvas.current?.getContext('2d')
    if (!c) return
    const style = getComputedStyle(document.documentElement)
    c.clearRect(0, 0, SIDE * 2, SIDE * 2)
    const cell = (2 * SIDE) / n
    c.fillStyle = style.getPropertyValue('--held-hatch')
    for (const u of all)
      if (!u.free) {
        c.fillRect((u.number - 1) * cell, 0, cell, 2 * SIDE)
        c.fillRect(0, (u.number - 1) * cell, 2 * SIDE, cell)
      }
    c.fillStyle = style.getPropertyValue('--ink')
    for (const e of solution.elements) e.dofs.forEach((i, a) => e.dofs.forEach((j, b) => i >= 0 && j >= 0 && e.global[6 * a + b] !== 0 && c.fillRect((solution.numbers[j] - 1) * cell, (solution.numbers[i] - 1) * cell, Math.max(cell, 1.2), Math.max(cell, 1.2))))
    c.fillStyle = style.getPropertyValue('--cedar')
    c.globalAlpha = 0.35
    c.fillRect(0, (solution.numbers[row] - 1) * cell, 2 * SIDE, Math.max(cell, 2))
    c.globalAlpha = 1
  }, [solution, n, row, all])
  const entries = useMemo(() => {
    const columns = new Set<number>()
    for (const e of solution.elements) if (e.dofs.includes(row)) for (const j of e.dofs) if (j >= 0) columns.add(j)
    return [...columns].sort((a, b) => solution.numbers[a] - solution.numbers[b]).map((column) => ({ column, value: working.termsOf(solution, units, row, column).reduce((t, x) => t + x.value, 0) }))
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
          const at = { row: dofAt[index(e.clientY - box.top, box.height)], column: dofAt[index(e.clientX - box.left, box.width)] }
          setRow(at.row)
          onPick(at)
        }}
      />
      <p className="prose">
        {n} rows and columns; every dark point is an entry that is not 0. Row{' '}
        <input type="number" className="row-number" min={1} max={n} value={solution.numbers[row]} aria-label="row" onChange={(e) => setRow(dofAt[Math.max(0, Math.min(n - 1, Number(e.target.value) - 1))])} /> reads:
      </p>
      <p className="row-entries">
        {entries.map(({ column, value }) => (
          <span key={column}>
            <NumberMark of={all[column]} /> {formatNumber(value)}
          </span>
        ))}
      </p>
    </>
  )
}
