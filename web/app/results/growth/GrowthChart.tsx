import type { ApexOptions } from 'apexcharts'
import { useEffect, useMemo, useRef, useState } from 'react'
import { ApexChart } from '../../widgets/ApexChart'
import { useInks } from '../../widgets/use-inks'
import { CHART_LOOK, followed, write, xAxis, yAxis } from '../../widgets/chart-look'
import { rangeOf } from '../../widgets/ranges'

const TALL = 230

interface Props {
  name: string
  unit: string
  /** SI of one unit. */
  per: number
  /** What grows, on the x axis. */
  along: string
  xs: readonly number[]
  /** Values in SI, null where there is none. */
  first: readonly (number | null)[]
  second: readonly (number | null)[]
  /** The step that is pointed at; null when none is. */
  onPoint: (index: number | null) => void
}

/** One value against what grows: second order solid, first order dashed; a place pointed at is a step. */
export function GrowthChart(props: Props) {
  const { name, unit } = props
  const inks = useInks()
  const latest = useRef(props.onPoint)
  useEffect(() => {
    latest.current = props.onPoint
  })
  const { per, along, xs, first, second } = props
  const options = useMemo(
    () => optionsOf({ unit, per, along, xs, first, second }, inks, (i) => latest.current(i)),
    [unit, per, along, xs, first, second, inks],
  )
  // the chart asks for a window: it is drawn in the browser alone
  const [here, setHere] = useState(false)
  useEffect(() => setHere(true), [])
  return (
    <section className="growth-chart" aria-label={`${name} as ${along} grows`}>
      <h3>
        {name}, {unit} <span className="quiet">solid: second order; dashed: first order</span>
      </h3>
      {here && <ApexChart options={options} height={TALL} />}
    </section>
  )
}

function optionsOf(
  { unit, per, along, xs, first, second }: Omit<Props, 'onPoint' | 'name'>,
  inks: { ink: string; cedar: string },
  onPoint: (index: number | null) => void,
): ApexOptions {
  const reach = rangeOf([...xs], 6)
  const points = (values: readonly (number | null)[]) =>
    xs.map((x, i) => [x / reach.step, values[i] === null ? null : values[i] / per] as [number, number | null])
  const all = [...first, ...second].flatMap((v) => (v === null ? [] : [v / per]))
  return {
    ...CHART_LOOK,
    series: [
      { name: 'second order', data: points(second) },
      { name: 'first order', data: points(first) },
    ],
    chart: { ...followed(onPoint), type: 'line', height: TALL },
    colors: [inks.cedar, inks.ink],
    stroke: { width: [2, 1.3], curve: 'straight', dashArray: [0, 5] },
    markers: { size: 0, hover: { size: 4 } },
    grid: { borderColor: 'var(--hair)', padding: { top: -14, bottom: 2, left: 4, right: 24 } },
    xaxis: xAxis(along, reach),
    yaxis: yAxis(rangeOf(all, 4)),
    tooltip: {
      shared: true,
      intersect: false,
      x: { formatter: (steps) => `${along}: ${write(steps * reach.step)}` },
      y: { formatter: (v: number | null) => (v === null ? '–' : `${write(v)} ${unit}`) },
    },
  }
}
