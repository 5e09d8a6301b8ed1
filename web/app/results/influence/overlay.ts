import type { Display, Signs, Structure } from '@viga/core'
import { drawInfluence } from '@viga/drawing/influence-line'
import type { Overlay } from '../../figure/Figure'
import type { ResultsView } from '../../sheet/results-view'
import { written } from './shown-line'

/** The influence line over the structure, with the loads that stand on it. */
export function influenceOverlay(
  structure: Structure,
  { line, loads, caption, band }: NonNullable<ResultsView['influence']>,
  display: Display,
  signs: Signs,
): Overlay {
  return {
    sceneOn: (view) =>
      drawInfluence({
        structure,
        view,
        line,
        loads,
        write: (si) => written(si, line.asked, display),
        ...(band && {
          band: band.envelope,
          signs,
          shown: band.envelope.quantity === 'moment' ? display.moment : display.force,
        }),
      }),
    caption: band?.caption ?? caption,
  }
}
