import { formatNumber } from '@viga/core'
import type { ApexOptions } from 'apexcharts'
import { useMemo } from 'react'
import Chart from 'react-apexcharts'
import { useSheetStore } from '../../sheet/context'
import type { Curve } from './curves'

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
  const options = useMemo(
    () => optionsOf(curve, last, length, end, onCursor),
    [curve, last, length, end, onCursor],
  )
  const series = useMemo(() => [{ name: curve.name, data: curve.points }], [curve])
  return <Chart type="area" height={last ? LAST : TALL} options={options} series={series} />
}

/** The look of a chart: ink lines, a light fill, figures as everywhere else. */
function optionsOf(
  curve: Curve,
  last: boolean,
  length: string,
  end: number,
  onCursor: (share: number | null) => void,
): ApexOptions {
  const write = (v: number) => formatNumber(v)
  return {
    chart: {
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
    colors: ['var(--ink)'],
    stroke: { width: 1.4, curve: 'straight' },
    fill: { type: 'solid', colors: ['var(--cedar)'], opacity: 0.1 },
    dataLabels: { enabled: false },
    markers: { size: 0, hover: { size: 4 }, colors: ['var(--cedar)'], strokeColors: 'var(--sheet)' },
    grid: { borderColor: 'var(--hair)', padding: { top: -22, bottom: last ? 0 : -14, left: 4, right: 10 } },
    annotations: { yaxis: [{ y: 0, borderColor: 'var(--ink)', strokeDashArray: 0, borderWidth: 1 }] },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: end,
      tickAmount: 6,
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
      reversed: curve.key === 'M',
      tickAmount: 2,
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
