import { formatPlain } from '@viga/core'
import type { ApexOptions } from 'apexcharts'
import { useEffect, useMemo, useRef, useState } from 'react'
import { ApexChart } from '../../widgets/ApexChart'
import { useInks } from '../../widgets/use-inks'
import { rangeOf } from '../member/ranges'

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
  const write = (v: number) => formatPlain(v, 4)
  const points = (values: readonly (number | null)[]) =>
    xs.map((x, i) => [x, values[i] === null ? null : values[i] / per] as [number, number | null])
  const all = [...first, ...second].flatMap((v) => (v === null ? [] : [v / per]))
  const { low, high, step } = rangeOf(all, 4)
  const reach = rangeOf([...xs], 6)
  return {
    series: [
      { name: 'second order', data: points(second) },
      { name: 'first order', data: points(first) },
    ],
    chart: {
      type: 'line',
      height: TALL,
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'var(--sans)',
      events: {
        mouseMove: (_e, _c, config: { dataPointIndex?: number } | undefined) => {
          const index = config?.dataPointIndex ?? -1
          if (index >= 0) onPoint(index)
        },
        mouseLeave: () => onPoint(null),
      },
    },
    colors: [inks.cedar, inks.ink],
    stroke: { width: [2, 1.3], curve: 'straight', dashArray: [0, 5] },
    dataLabels: { enabled: false },
    markers: { size: 0, hover: { size: 4 } },
    grid: { borderColor: 'var(--hair)', padding: { top: -14, bottom: 2, left: 4, right: 24 } },
    annotations: { yaxis: [{ y: 0, borderColor: 'var(--ink)', strokeDashArray: 0, borderWidth: 1 }] },
    xaxis: {
      type: 'numeric',
      min: reach.low < 0 ? reach.low : 0,
      max: reach.high,
      tickAmount: Math.round((reach.high - (reach.low < 0 ? reach.low : 0)) / reach.step),
      labels: { formatter: (v) => write(Number(v)), style: { colors: 'var(--ink-3)', fontSize: '11px' } },
      axisBorder: { show: false },
      axisTicks: { color: 'var(--hair-2)' },
      title: { text: along, style: { color: 'var(--ink-3)', fontSize: '11px', fontWeight: 400 } },
      crosshairs: { stroke: { color: 'var(--cedar)', width: 1, dashArray: 0 } },
      tooltip: { enabled: false },
    },
    yaxis: {
      min: low,
      max: high,
      tickAmount: Math.round((high - low) / step),
      labels: { minWidth: 52, formatter: write, style: { colors: 'var(--ink-3)', fontSize: '11px' } },
    },
    tooltip: {
      shared: true,
      intersect: false,
      x: { formatter: (v) => `${along}: ${write(v)}` },
      y: { formatter: (v: number | null) => (v === null ? '–' : `${write(v)} ${unit}`) },
    },
    legend: { show: false },
  }
}
