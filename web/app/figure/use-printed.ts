import { useEffect, type RefObject } from 'react'

/** Room around what is drawn, px of the drawing. */
const MARGIN = 10

/** While the page is printed, the drawing shows what is drawn alone, as large as the page allows. */
export function usePrinted(plane: RefObject<SVGSVGElement | null>) {
  useEffect(() => {
    let usual: string | null = null
    const before = () => {
      const svg = plane.current
      if (!svg || usual !== null) return
      const { x, y, width, height } = svg.getBBox()
      if (width === 0 || height === 0) return
      usual = svg.getAttribute('viewBox')
      const box = [x - MARGIN, y - MARGIN, width + 2 * MARGIN, height + 2 * MARGIN]
      svg.setAttribute('viewBox', box.join(' '))
    }
    const after = () => {
      if (usual !== null) plane.current?.setAttribute('viewBox', usual)
      usual = null
    }
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    return () => {
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
    }
  }, [plane])
}
