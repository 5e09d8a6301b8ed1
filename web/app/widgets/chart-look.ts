import { formatPlain } from '@viga/core'
import type { ApexOptions } from 'apexcharts'
import type { Range } from './ranges'

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

/**
 * The x axis over a range of round steps, with its name; `shown` is false where another chart below has the
 * numbers. ApexCharts rounds a step to two decimals, and spaces its numbers evenly whatever they are: so the
 * axis counts whole steps from one round number to another, and points stand at `x / step`.
 */
export const xAxis = (
  name: string,
  { low, high, step }: Range,
  shown = true,
): NonNullable<ApexOptions['xaxis']> => ({
  type: 'numeric',
  min: Math.round(low / step),
  max: Math.round(high / step),
  tickAmount: Math.round((high - low) / step),
  labels: { show: shown, formatter: (steps) => write(Number(steps) * step), style: SMALL },
  axisBorder: { show: false },
  axisTicks: { show: shown, color: 'var(--hair-2)' },
  title: shown ? { text: name, style: { color: 'var(--ink-3)', fontSize: '11px', fontWeight: 400 } } : {},
  crosshairs: { stroke: { color: 'var(--cedar)', width: 1, dashArray: 0 } },
  tooltip: { enabled: false },
})

/** The y axis over a range of round steps. */
export const yAxis = ({ low, high, step }: Range) => ({
  min: low,
  max: high,
  tickAmount: Math.round((high - low) / step),
  labels: { minWidth: 52, formatter: write, style: SMALL },
})
