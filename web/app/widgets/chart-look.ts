import { formatPlain } from '@viga/core'
import type { ApexOptions } from 'apexcharts'

/** The look of numbers along an axis. */
const SMALL = { colors: 'var(--ink-3)', fontSize: '11px' }

export const write = (v: number) => formatPlain(v, 4)

/** What the charts of the Results have in common: ink lines, a light grid, figures as everywhere else. */
export const CHART_LOOK = {
  dataLabels: { enabled: false },
  legend: { show: false },
  annotations: { yaxis: [{ y: 0, borderColor: 'var(--ink)', strokeDashArray: 0, borderWidth: 1 }] },
} satisfies ApexOptions

/**
 * A chart of one size that follows the pointer: `onIndex` has the point of the curve, or null off the chart.
 */
export const followed = (onIndex: (index: number | null) => void): ApexOptions['chart'] => ({
  animations: { enabled: false },
  toolbar: { show: false },
  zoom: { enabled: false },
  fontFamily: 'var(--sans)',
  events: {
    mouseMove: (_e, _c, config: { dataPointIndex?: number } | undefined) => {
      const index = config?.dataPointIndex ?? -1
      if (index >= 0) onIndex(index)
    },
    mouseLeave: () => onIndex(null),
  },
})

/** The x axis with its name; `shown` is false where another chart below has the numbers. */
export const xAxis = (name: string, shown = true): ApexOptions['xaxis'] => ({
  type: 'numeric',
  labels: { show: shown, formatter: (v) => write(Number(v)), style: SMALL },
  axisBorder: { show: false },
  axisTicks: { show: shown, color: 'var(--hair-2)' },
  title: shown ? { text: name, style: { color: 'var(--ink-3)', fontSize: '11px', fontWeight: 400 } } : {},
  crosshairs: { stroke: { color: 'var(--cedar)', width: 1, dashArray: 0 } },
  tooltip: { enabled: false },
})

/** The y axis over a range of round steps. */
export const yAxis = ({ low, high, step }: { low: number; high: number; step: number }) => ({
  min: low,
  max: high,
  tickAmount: Math.round((high - low) / step),
  labels: { minWidth: 52, formatter: write, style: SMALL },
})
