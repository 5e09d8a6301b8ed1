import { act, renderHook } from '@testing-library/react'
import { work } from '@viga/core'
import { zoomAt } from '@viga/drawing/view'
import type { ReactNode } from 'react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useFigureView } from '../../app/figure/use-figure-view'
import { SheetContext } from '../../app/sheet/context'
import { firstLayers } from '../../app/sheet/figure-keys'
import { createSheet } from '../../app/sheet/store'
import { demo } from '../demo'

const problem = demo.find(([f]) => f.includes('palm-house'))![1]
const outcome = work(problem)
if (outcome.stage !== 'solved') throw new Error('the palm house is solved')
const { structure } = outcome
const layers = firstLayers('M').given

describe('how the plane lies on the Figure', () => {
  let tell: () => void
  beforeEach(() =>
    vi.stubGlobal(
      'ResizeObserver',
      class {
        constructor(heard: () => void) {
          tell = heard
        }
        observe() {}
        disconnect() {}
      },
    ),
  )
  afterEach(() => void vi.unstubAllGlobals())

  /** A Figure in a frame of a size, which can be changed. */
  function figure(drawing = false) {
    const element = document.createElement('div')
    const sized = (clientWidth: number, clientHeight: number) =>
      Object.entries({ clientWidth, clientHeight }).forEach(([key, value]) =>
        Object.defineProperty(element, key, { value, configurable: true }),
      )
    sized(704, 664)
    const frame = { current: element }
    const store = createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
    const { result } = renderHook(() => useFigureView(frame, structure, layers, drawing), {
      wrapper: ({ children }: { children: ReactNode }) => (
        <SheetContext value={store}>{children}</SheetContext>
      ),
    })
    const resize = (width: number, height: number) =>
      act(() => {
        sized(width, height)
        tell()
      })
    const zoom = () => act(() => result.current.setView((v) => zoomAt(v, { x: 350, y: 300 }, 1.7)))
    return { result, resize, zoom }
  }

  it('fits the structure into the frame, and into another one anew', () => {
    const { result, resize } = figure()
    const { scale } = result.current.view
    resize(352, 332)
    expect(result.current.view.scale).toBeLessThan(scale)
    expect(result.current.view).toMatchObject({ width: 352, height: 332 })
    expect(result.current.fitting).toBe(true)
  })

  it('stays as it was enlarged when a caption of one line more or less changes the height', () => {
    const { result, resize, zoom } = figure()
    zoom()
    const { scale, ox, oy } = result.current.view
    resize(704, 640)
    expect(result.current.view).toMatchObject({ scale, ox, oy, height: 640 })
    expect(result.current.fitting).toBe(false)
    act(() => result.current.refit())
    expect(result.current.view.scale).toBeLessThan(scale)
    expect(result.current.fitting).toBe(true)
  })

  it('is fitted anew where the width changes: another window, or the divide moved', () => {
    const { result, resize, zoom } = figure()
    zoom()
    resize(500, 664)
    expect(result.current.fitting).toBe(true)
  })

  it('lies still under the pointer that draws, whatever the caption does', () => {
    const { result, resize } = figure(true)
    const { scale, ox, oy } = result.current.view
    resize(704, 640)
    expect(result.current.view).toMatchObject({ scale, ox, oy })
  })
})
