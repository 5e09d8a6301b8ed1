import { working } from '@viga/core'
import type { ApexOptions } from 'apexcharts'
import { useEffect, useMemo, useState } from 'react'
import { ApexChart } from '../widgets/ApexChart'
import { CHART_LOOK, write, xAxis, yAxis } from '../widgets/chart-look'
import { rangeOf } from '../widgets/ranges'
import { useInks } from '../widgets/use-inks'
import { useWorkingView } from './working-view'

const TALL = 250

/** A curve of the working, its roots marked with their numbers. */
export default function Curve({ block }: { block: working.ChartBlock }) {
  const { ledger, reading } = useWorkingView()
  const inks = useInks()
  const options = useMemo(() => {
    const roots = block.roots.map(({ x, at }) => ({
      x,
      words: working.shown(ledger.entry(at)?.value ?? x, reading),
    }))
    return optionsOf(block, roots, inks)
  }, [block, ledger, reading, inks])
  // the chart asks for a window: it is drawn in the browser alone
  const [here, setHere] = useState(false)
  useEffect(() => setHere(true), [])
  return (
    <figure className="curve" aria-label={block.title}>
      <figcaption className="matrix-head">{block.title}</figcaption>
      {here ? <ApexChart options={options} height={TALL} /> : <div style={{ height: TALL }} />}
    </figure>
  )
}

function optionsOf(
  { points, x }: working.ChartBlock,
  roots: readonly { x: number; words: string }[],
  inks: { ink: string; cedar: string },
): ApexOptions {
  const reach = rangeOf([0, points[points.length - 1][0]], 6)
  return {
    ...CHART_LOOK,
    series: [{ name: 'det K', data: points.map(([at, y]) => [at / reach.step, y]) }],
    chart: {
      type: 'line',
      height: TALL,
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'var(--sans)',
    },
    colors: [inks.ink],
    stroke: { width: 1.6, curve: 'straight' },
    markers: { size: 0, hover: { size: 3 } },
    annotations: {
      ...CHART_LOOK.annotations,
      points: roots.map(({ x: at, words }) => ({
        x: at / reach.step,
        y: 0,
        marker: { size: 4, fillColor: 'var(--sheet)', strokeColor: inks.cedar, strokeWidth: 2 },
        label: {
          text: words,
          offsetY: -4,
          borderWidth: 0,
          style: {
            background: 'var(--sheet)',
            color: inks.cedar,
            fontSize: '12px',
            padding: { left: 3, right: 3, top: 1, bottom: 2 },
          },
        },
      })),
    },
    grid: { borderColor: 'var(--hair)', padding: { top: -8, bottom: 2, left: 4, right: 24 } },
    xaxis: xAxis(x, reach),
    yaxis: yAxis(rangeOf(points.map(([, y]) => y))),
    tooltip: {
      x: { formatter: (steps) => `${x} = ${write(steps * reach.step)}` },
      y: { formatter: write },
      marker: { show: false },
    },
  }
}
