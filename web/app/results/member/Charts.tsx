import type { ApexOptions } from 'apexcharts'
import { useEffect, useMemo, useRef } from 'react'
import { useSheetStore } from '../../sheet/context'
import { ApexChart } from '../../widgets/ApexChart'
import { useInks } from '../../widgets/use-inks'
import { CHART_LOOK, followed, write, xAxis, yAxis } from '../../widgets/chart-look'
import type { Curve } from './curves'
import { rangeOf } from '../../widgets/ranges'

/** The height of a chart, px, and of the last one, which has the numbers of the x axis. */
const [TALL, LAST] = [122, 142]

/**
 * The curves of a member under each other, on one x axis with one cursor; the Figure marks the same place.
 */
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
  const along = rangeOf([0, end], 6)
  const cursor = (index: number | null) => {
    const point = index === null ? undefined : curve.points[index]
    if (index === null) onCursor(null)
    else if (point) onCursor(end > 0 ? point[0] / end : 0)
  }
  return {
    ...CHART_LOOK,
    series: [{ name: curve.name, data: curve.points.map(([x, v]) => [x / along.step, v]) }],
    chart: {
      ...followed(cursor),
      type: 'area',
      height: last ? LAST : TALL,
      group: 'along',
      id: `along-${curve.key}`,
    },
    colors: [inks.cedar],
    stroke: { width: 1.4, curve: 'straight', colors: [inks.ink] },
    fill: { type: 'solid', opacity: 0.1 },
    markers: { size: 0, hover: { size: 4 }, colors: ['var(--cedar)'], strokeColors: 'var(--sheet)' },
    grid: { borderColor: 'var(--hair)', padding: { top: -18, bottom: last ? 4 : -6, left: 4, right: 24 } },
    xaxis: xAxis(`x, ${length}`, along, last),
    // moments of the sagging side hang below, as they are drawn on the Figure
    yaxis: { ...yAxis(rangeOf(curve.points.map(([, v]) => v))), reversed: curve.hangs },
    tooltip: {
      shared: false,
      x: { formatter: (steps) => `x = ${write(steps * along.step)} ${length}` },
      y: { formatter: (v) => `${write(v)} ${curve.unit}` },
      marker: { show: false },
    },
  }
}
