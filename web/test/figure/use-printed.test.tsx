import { renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { usePrinted } from '../../app/figure/use-printed'

/** A drawing whose marks fill this box. */
function planeOf(width: number, height: number) {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
  svg.setAttribute('viewBox', '0 0 704 664')
  svg.getBBox = () => ({ x: 100, y: 200, width, height }) as DOMRect
  renderHook(() => usePrinted({ current: svg }))
  return svg
}
const tell = (event: string) => window.dispatchEvent(new Event(event))

describe('the Figure on paper', () => {
  it('shows what is drawn alone while the page is printed, and then what it showed before', () => {
    const svg = planeOf(500, 300)
    tell('beforeprint')
    expect(svg.getAttribute('viewBox')).toBe('90 190 520 320')
    tell('afterprint')
    expect(svg.getAttribute('viewBox')).toBe('0 0 704 664')
  })
  it('stays as it is where nothing is drawn', () => {
    const svg = planeOf(0, 0)
    tell('beforeprint')
    expect(svg.getAttribute('viewBox')).toBe('0 0 704 664')
  })
})
