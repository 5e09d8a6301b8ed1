import { working, type Solution, type Unknown } from '@viga/core'
import { useCallback, useEffect, useLayoutEffect, useRef } from 'react'
import { useWorkingView } from './working-view'
import { paintLarge, type Look } from './large-drawing'
import type { useLargeWindow } from './large-window'
import type { At, LargeMatrixProps } from './LargeMatrix'

type LargeWindow = ReturnType<typeof useLargeWindow>

/**
 * The canvas and what paints it: when it is scrolled or zoomed, when numbers change, and when the page turns
 * dark or light.
 */
export function usePaint(
  {
    rows,
    columns,
    address,
    power,
    lit,
  }: Pick<LargeMatrixProps, 'rows' | 'columns' | 'address' | 'power' | 'lit'>,
  entries: EntriesOf,
  { width, height, written, viewport }: Pick<LargeWindow, 'width' | 'height' | 'written' | 'viewport'>,
  cursor: At | null,
) {
  const { ledger, reading } = useWorkingView()
  const canvas = useRef<HTMLCanvasElement>(null)
  const paint = useCallback(() => {
    const element = canvas.current
    const c = element?.getContext('2d')
    if (!element || !c) return
    const dense = window.devicePixelRatio || 1
    const [across, down] = [Math.round(width * dense), Math.round(height * dense)]
    if (element.width !== across) element.width = across
    if (element.height !== down) element.height = down
    c.setTransform(dense, 0, 0, dense, 0, 0)
    const valued = (row: number) =>
      entries(rows[row].index).map((e) => ({
        column: e.column,
        value: ledger.entry(address(rows[row].index, columns[e.column].index))!.value,
      }))
    // as a pattern the values themselves are not needed
    paintLarge(
      c,
      viewport(),
      {
        rows,
        columns,
        entries: written ? valued : (row) => entries(rows[row].index),
        words: (v) => working.shownEntry(v, power, reading),
        lit,
        cursor,
      },
      look(element),
    )
  }, [width, height, entries, rows, columns, ledger, address, viewport, written, power, reading, lit, cursor])
  useLayoutEffect(paint, [paint])
  useEffect(() => {
    const observer = new MutationObserver(paint)
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-scheme'] })
    return () => observer.disconnect()
  }, [paint])
  return { canvas, paint }
}

export type EntriesOf = (dof: number) => readonly { column: number; value: number }[]

/** The entries of a row that are not zero or rounding error, in the order of the columns. */
export function entriesOf(solution: Solution, columns: readonly Unknown[]): EntriesOf {
  const K = working.structureRows(solution)
  const placeOf = new Map(columns.map((u, j) => [u.index, j]))
  const kept = new Map<number, { column: number; value: number }[]>()
  return (dof) => {
    let row = kept.get(dof)
    if (!row) {
      const most = Math.max(0, ...[...K[dof].values()].map(Math.abs))
      row = [...K[dof]]
        .flatMap(([j, value]) =>
          placeOf.has(j) && !working.isZeroEntry(value, most) ? [{ column: placeOf.get(j)!, value }] : [],
        )
        .sort((a, b) => a.column - b.column)
      kept.set(dof, row)
    }
    return row
  }
}

const look = (element: Element): Look => {
  const style = getComputedStyle(element)
  const known = new Map<string, string>()
  const read = (name: string) =>
    known.get(name) ?? (known.set(name, style.getPropertyValue(`--${name}`).trim()), known.get(name)!)
  return { colour: read, cond: read('cond'), sans: read('sans') }
}
