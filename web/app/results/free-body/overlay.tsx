import type { ActionSolution, Display, Solution } from '@viga/core'
import { drawFreeBody } from '@viga/drawing/free-body'
import { onScreen, type View } from '@viga/drawing/view'
import type { Overlay } from '../../figure/Figure'
import { bodyOf } from '../../sheet/free-body-of'
import type { BodyChoice, PlanePoint } from '../../sheet/results-view'
import type { SheetStore } from '../../sheet/store'

/**
 * The free body on the Figure: it is drawn in place of the structure; a drag draws the cut, a press the
 * point.
 */
export function freeBodyOverlay(
  store: SheetStore,
  solution: Solution,
  action: ActionSolution,
  choice: BodyChoice,
  about: PlanePoint | null,
  display: Display,
): Overlay {
  const body = bodyOf(solution, action, choice)
  const { structure } = solution
  const point = about ?? { x: 0, y: 0 }
  return {
    sceneOn: (view) =>
      drawFreeBody({
        structure,
        view,
        display,
        about: point,
        ...(body.ok
          ? { part: body.part, forces: body.forces, other: body.other }
          : { part: { joints: new Set(), pieces: [] }, forces: [] }),
      }),
    caption: body.ok
      ? `Free body of ${body.name}: loads, reactions and cut forces, ${display.force.unit} and ` +
        `${display.moment.unit}.`
      : 'Draw the cut across the members that part the structure in two.',
    gestures: {
      ...(choice.kind === 'cut' && {
        onLine: (a: PlanePoint, b: PlanePoint) => store.setState({ body: { ...choice, a, b } }),
      }),
      onPoint: (p) => store.setState({ about: nearest(solution, p) }),
    },
    marks: (view) => choice.kind === 'cut' && <CutLine view={view} a={choice.a} b={choice.b} />,
  }
}

/** A point near a joint is the joint, within this part of the size of the structure. */
const NEAR = 0.03

function nearest({ structure: { nodes } }: Solution, p: PlanePoint): PlanePoint {
  const size = Math.max(...nodes.map((n) => Math.hypot(n.x - nodes[0].x, n.y - nodes[0].y)), 1e-9)
  const joint = nodes.find((n) => Math.hypot(n.x - p.x, n.y - p.y) <= NEAR * size)
  return joint ? { x: joint.x, y: joint.y } : p
}

/** The cut as it is drawn: a line of long and short strokes. */
function CutLine({ view, a, b }: { view: View; a: PlanePoint; b: PlanePoint }) {
  const [p, q] = [onScreen(view, a.x, a.y), onScreen(view, b.x, b.y)]
  return <path className="cut-line" d={`M${p.x} ${p.y}L${q.x} ${q.y}`} />
}
