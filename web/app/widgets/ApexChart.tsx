import type ApexCharts from 'apexcharts'
import type { ApexOptions } from 'apexcharts'
import { useEffect, useRef } from 'react'

/**
 * A chart of ApexCharts. Its script is fetched in the browser alone, since it asks for a window as soon as it
 * is loaded. A chart that goes away is taken down only when it has finished drawing: before, the library
 * still reaches for its element and fails.
 * @param options with the series; a new object draws the chart anew, without animation
 */
export function ApexChart({ options, height }: { options: ApexOptions; height: number }) {
  const frame = useRef<HTMLDivElement>(null)
  const chart = useRef<Promise<ApexCharts>>(undefined)
  const latest = useRef(options)
  useEffect(() => {
    latest.current = options
  })
  useEffect(() => {
    let gone = false
    const element = frame.current!
    const drawn = import('apexcharts').then(async ({ default: Charts }) => {
      const made = new Charts(element, latest.current)
      if (!gone) await made.render()
      return made
    })
    chart.current = drawn
    return () => {
      gone = true
      void drawn.then((c) => c.destroy()).catch(() => {})
    }
  }, [])
  const first = useRef(true)
  useEffect(() => {
    if (first.current) first.current = false
    else void chart.current?.then((c) => c.updateOptions(options, false, false)).catch(() => {})
  }, [options])
  return <div ref={frame} style={{ minHeight: height }} />
}
