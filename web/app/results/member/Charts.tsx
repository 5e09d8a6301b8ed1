import { formatPlain } from '@viga/core'
import type { ApexOptions } from 'apexcharts'
import { useEffect, useMemo, useRef } from 'react'
import { useSheetStore } from '../../sheet/context'
import { ApexChart } from '../../widgets/ApexChart'
import { useInks } from '../../widgets/use-inks'
import type { Curve } from './curves'
import { rangeOf } from './ranges'

/** The height of a chart, px, and of the last one, which has the numbers of the x axis. */
const [TALL, LAST] = [122, 142]

/** The curves of a member under each other, on one x axis with one cursor; the Figure marks the same place. */
export function Charts({ curves, member, length }: { curves: Curve[]; member: string; length: string }) {
  const store = useSheetStore()
  return (
    <div className="member-charts">
      {curves.map((curve, i) => (
        <section key={curve.key} aria-label={`${curve.name} along ${member}`}>
          <h3>
            <i>{curve.key === 'relative' ? 'δ' : curve.key}</i> {curve.name}, {curve.unit}
          </h3>
          <OneChart
            curve={curve}
            last={i === curves.length - 1}
            length={length}
            onCursor={(share) =>
              store.setState({ probe: share === null ? null : probeAt(store, member, share) })
            }
          />
        </section>
      ))}
    </div>
  )
}

/** The place on the member at a share of its length, m. */
function probeAt(store: ReturnType<typeof useSheetStore>, member: string, share: number) {
  const { outcome } = store.getState()
  const m = outcome.stage === 'invalid' ? undefined : outcome.structure.members.find((o) => o.id === member)
  return m ? { member, x: share * m.length } : null
}

function OneChart({
  curve,
  last,
  length,
  onCursor,
}: {
  curve: Curve
  last: boolean
  length: string
  onCursor: (share: number | null) => void
}) {
  const end = curve.points[curve.points.length - 1][0]
  const inks = useInks()
  const latest = useRef(onCursor)
  useEffect(() => {
    latest.current = onCursor
  })
  const options = useMemo(
    () => optionsOf(curve, last, length, end, inks, (share) => latest.current(share)),
    [curve, last, length, end, inks],
  )
  return <ApexChart options={options} height={last ? LAST : TALL} />
}

/** The look of a chart: ink lines, a light fill, figures as everywhere else. */
function optionsOf(
  curve: Curve,
  last: boolean,
  length: string,
  end: number,
  inks: { ink: string; cedar: string },
  onCursor: (share: number | null) => void,
): ApexOptions {
  const write = (v: number) => formatPlain(v, 4)
  const { low, high, step } = rangeOf(curve.points.map(([, v]) => v))
  const along = rangeOf([0, end], 6)
  return {
    series: [{ name: curve.name, data: curve.points }],
    chart: {
      type: 'area',
      height: last ? LAST : TALL,
      group: 'along',
      id: `along-${curve.key}`,
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'var(--sans)',
      events: {
        mouseMove: (_e, _c, config: { dataPointIndex?: number } | undefined) => {
          const point = curve.points[config?.dataPointIndex ?? -1]
          if (point) onCursor(end > 0 ? point[0] / end : 0)
        },
        mouseLeave: () => onCursor(null),
      },
    },
    colors: [inks.cedar],
    stroke: { width: 1.4, curve: 'straight', colors: [inks.ink] },
    fill: { type: 'solid', opacity: 0.1 },
    dataLabels: { enabled: false },
    markers: { size: 0, hover: { size: 4 }, colors: ['var(--cedar)'], strokeColors: 'var(--sheet)' },
    grid: { borderColor: 'var(--hair)', padding: { top: -18, bottom: last ? 4 : -6, left: 4, right: 24 } },
    annotations: { yaxis: [{ y: 0, borderColor: 'var(--ink)', strokeDashArray: 0, borderWidth: 1 }] },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: along.high,
      stepSize: along.step,
      labels: {
        show: last,
        formatter: (v) => write(Number(v)),
        style: { colors: 'var(--ink-3)', fontSize: '11px' },
      },
      axisBorder: { show: false },
      axisTicks: { show: last, color: 'var(--hair-2)' },
      title: last
        ? { text: `x, ${length}`, style: { color: 'var(--ink-3)', fontSize: '11px', fontWeight: 400 } }
        : {},
      crosshairs: { stroke: { color: 'var(--cedar)', width: 1, dashArray: 0 } },
      tooltip: { enabled: false },
    },
    yaxis: {
      // moments of the sagging side hang below, as they are drawn on the Figure
      reversed: curve.hangs,
      min: low,
      max: high,
      tickAmount: Math.round((high - low) / step),
      labels: { minWidth: 52, formatter: write, style: { colors: 'var(--ink-3)', fontSize: '11px' } },
    },
    tooltip: {
      shared: false,
      x: { formatter: (v) => `x = ${write(v)} ${length}` },
      y: { formatter: (v) => `${write(v)} ${curve.unit}` },
      marker: { show: false },
    },
    legend: { show: false },
  }
}
