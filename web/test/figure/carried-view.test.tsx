import { act, render } from '@testing-library/react'
import { onScreen, zoomAt, type View } from '@viga/drawing/view'
import { useRef, useState } from 'react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { carriedTo, useCarriedView, type SetView } from '../../app/figure/use-carried-view'

const VIEW: View = { scale: 40, ox: 100, oy: 300, width: 700, height: 600 }

/** Where a point of the drawing stands when its plane has this transform. */
function moved(transform: string, p: { x: number; y: number }) {
  if (transform === '') return p
  const [, tx, ty, k] = /^translate\((.+)px, (.+)px\) scale\((.+)\)$/.exec(transform)!.map(Number)
  return { x: tx + k * p.x, y: ty + k * p.y }
}

describe('a drawing carried to another view', () => {
  it.each([
    [{ ...VIEW, ox: 160, oy: 280 }],
    [zoomAt(VIEW, { x: 350, y: 300 }, 1.7)],
    [zoomAt({ ...VIEW, ox: -20 }, { x: 10, y: 590 }, 0.4)],
  ])('has every joint where the new view has it', (to) => {
    for (const [x, y] of [
      [0, 0],
      [6, 3.5],
      [-2, 8],
    ]) {
      const p = moved(carriedTo(VIEW, to), onScreen(VIEW, x, y))
      const q = onScreen(to, x, y)
      expect(p.x).toBeCloseTo(q.x, 9)
      expect(p.y).toBeCloseTo(q.y, 9)
    }
  })
  it('to where it is needs no transform', () => expect(carriedTo(VIEW, { ...VIEW })).toBe(''))
})

describe('moving the view', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  /** A plane with a view. */
  function plane(large: boolean) {
    const out = {
      drawn: VIEW,
      times: 0,
      set: undefined as SetView | undefined,
      g: null as SVGSVGElement | null,
    }
    function Plane() {
      const [drawn, setDrawn] = useState(VIEW)
      const g = useRef<SVGSVGElement>(null)
      const set = useCarriedView(drawn, setDrawn, large, g)
      return (
        <svg
          ref={(it) => {
            g.current = it
            Object.assign(out, { drawn, set, g: it })
          }}
        />
      )
    }
    render(<Plane />)
    return out
  }
  const to = (ox: number) => ({ ...VIEW, ox })

  it('draws a small structure anew at once', () => {
    const p = plane(false)
    act(() => p.set!(to(140)))
    expect(p.drawn.ox).toBe(140)
    expect(p.g!.style.transform).toBe('')
  })

  it('carries a large one along, and draws it when it has come to rest', () => {
    const p = plane(true)
    act(() => p.set!(to(140)))
    act(() => p.set!(to(180)))
    expect(p.drawn.ox).toBe(100)
    expect(p.g!.style.transform).toBe('translate(80px, 0px) scale(1)')
    act(() => void vi.advanceTimersByTime(1000))
    expect(p.drawn.ox).toBe(180)
    expect(p.g!.style.transform).toBe('')
  })

  it('goes on from where it was carried to', () => {
    const p = plane(true)
    act(() => p.set!((v) => ({ ...v, ox: v.ox + 10 })))
    act(() => p.set!((v) => ({ ...v, ox: v.ox + 10 })))
    act(() => void vi.advanceTimersByTime(1000))
    expect(p.drawn.ox).toBe(120)
  })

  it('is pulled from where it was carried to, also before it was drawn there', () => {
    const p = plane(true)
    act(() => p.set!(zoomAt(VIEW, { x: 350, y: 300 }, 1.7)))
    let from: View | undefined
    act(() => p.set!((now) => ({ ...(from = now), ox: now.ox + 25 })))
    expect(from).toMatchObject({ scale: 68 })
    act(() => void vi.advanceTimersByTime(1000))
    expect(p.drawn).toMatchObject({ scale: 68, ox: from!.ox + 25 })
  })
})
