import { fromOtherEnd, placeOnHalf, type Cut } from '../../kinds/loads/kind.js'
import { drawnDiagrams, type DrawnDiagram, type DrawnOrdinate, type StretchKind } from '../drawn-diagrams.js'
import * as D from '../../quantity/dimension.js'
import { movedInfluence } from '../influence-view.js'
import { movedRedundants } from '../method-choices.js'
import { keptPlaces } from '../kept-places.js'
import { scaled, tidy, type Measure } from '../measure.js'
import { isRecord } from '../report.js'
import type { Problem } from '../types.js'

/** Places, drawn diagrams and effective lengths that `view` keeps of a member follow an edit of it. */

type View = Record<string, unknown>

/** The view with the diagrams and places that it has put through an edit; keys it lacks stay away. */
function withParts(
  p: Problem,
  diagrams: (d: DrawnDiagram) => DrawnDiagram[],
  place?: (r: ReturnType<typeof keptPlaces>[number]) => ReturnType<typeof keptPlaces>[number],
): View {
  const view: View = { ...p.view }
  if (view.drawn !== undefined) view.drawn = drawnDiagrams(p).flatMap(diagrams)
  if (place && view.readings !== undefined) view.readings = keptPlaces(p).map(place)
  return view
}

/** The problem with the places of quantities in its view put through an edit of a member. */
function withQuantities(p: Problem, member: string, move: Parameters<typeof movedInfluence>[2]): Problem {
  const moved = { ...p, view: movedInfluence(p, member, move) }
  return { ...moved, view: movedRedundants(moved, member, move) }
}

/** The view after the start and the end of a member of length L (problem's unit) have changed places. */
export const reversedView = (p: Problem, member: string, m: Measure, L: number): View =>
  withParts(
    withQuantities(p, member, (at) => ({ at: fromOtherEnd(at, m, L) })),
    (d) => [d.member === member ? reversedDiagram(d, m, L) : d],
    (r) => (r.member === member ? { ...r, at: fromOtherEnd(r.at, m, L) } : r),
  )

/** The kind of the stretch that begins at each ordinate: that of the one before where it does not say. */
const kindsOf = (ordinates: readonly DrawnOrdinate[]): (StretchKind | undefined)[] => {
  let kind: StretchKind | undefined
  return ordinates.map((o) => (kind = o.kind ?? (kind === 'constant' ? undefined : kind)))
}

/** Whether a curve goes on at an ordinate that begins none of its own. */
const goesOn = (k: StretchKind | undefined) => k === 'parabola' || k === 'cubic'

function reversedDiagram(d: DrawnDiagram, m: Measure, L: number): DrawnDiagram {
  const sign = d.quantity === 'moment' ? -1 : 1
  const kinds = kindsOf(d.ordinates)
  const last = d.ordinates.length - 1
  const ordinates = d.ordinates.map((_, j): DrawnOrdinate => {
    const { at, value } = d.ordinates[last - j]
    const kind = kinds[last - j - 1]
    // a curve that goes on through this ordinate says its kind where it begins
    const begins = j < last && !(goesOn(kind) && d.ordinates[last - j].kind === undefined && j > 0)
    return {
      at: fromOtherEnd(at, m, L),
      value: scaled(value, sign),
      ...(begins && kind ? { kind } : {}),
    }
  })
  return { ...d, ordinates }
}

/** The mirror image has moments and shears of the opposite sign. */
export const mirroredView = (p: Problem, members: readonly string[]): View =>
  withParts(p, (d) => [
    members.includes(d.member) && d.quantity !== 'axial'
      ? { ...d, ordinates: d.ordinates.map((o) => ({ ...o, value: scaled(o.value, -1) })) }
      : d,
  ])

/**
 * The view after a member has been split. Each half of a drawn diagram has the ordinates that stand on it; on
 * a straight line the one at the cut is found from its neighbours, and a curve that is cut apart keeps its
 * ordinates alone. The effective length, which is the factor K times the length, stays what it was.
 */
export function splitView(p: Problem, member: string, cut: Cut): View {
  const view = withParts(
    withQuantities(p, member, (at) => placeOnHalf(cut, at)),
    (d) => (d.member === member ? splitDiagram(d, cut) : [d]),
    (r) => (r.member === member ? { ...r, ...placeOnHalf(cut, r.at) } : r),
  )
  const lengths = view.effectiveLengths
  if (isRecord(lengths) && typeof lengths[member] === 'number') {
    const { [member]: K, ...others } = lengths as Record<string, number>
    view.effectiveLengths = {
      ...others,
      [cut.first]: tidy(K / cut.share),
      [cut.second]: tidy(K / (1 - cut.share)),
    }
  }
  return view
}

function splitDiagram(d: DrawnDiagram, cut: Cut): DrawnDiagram[] {
  const { m, L } = cut
  const kinds = kindsOf(d.ordinates)
  const xs = d.ordinates.map((o) => m.along(o.at, L))
  const isAtCut = (x: number) => Math.abs(x - cut.cut) <= 1e-9 * L
  const first: DrawnOrdinate[] = []
  const second: DrawnOrdinate[] = []
  d.ordinates.forEach((o, i) => {
    const curved = goesOn(kinds[i]) || goesOn(kinds[i - 1])
    const kind = !curved && o.kind ? { kind: o.kind } : {}
    const there = { value: o.value, ...kind }
    if (isAtCut(xs[i])) {
      first.push({ at: '100%', value: o.value })
      second.push({ at: 0, ...there })
    } else {
      const place = placeOnHalf(cut, o.at)
      const half = place.member === cut.first ? first : second
      half.push({ at: place.at, ...there })
    }
    const crosses = xs[i] < cut.cut && xs[i + 1] > cut.cut && !isAtCut(xs[i]) && !isAtCut(xs[i + 1])
    if (!crosses || goesOn(kinds[i])) return
    const value = atCut(d, i, xs, cut)
    if (value === undefined) return
    first.push({ at: '100%', value })
    second.push({ at: 0, value, ...kind })
  })
  return [
    { ...d, member: cut.first, ordinates: first },
    { ...d, member: cut.second, ordinates: second },
  ].filter((half) => half.ordinates.length > 0)
}

/** The ordinate at the cut on a straight or level line; undefined where its neighbours are no numbers. */
function atCut({ ordinates, quantity }: DrawnDiagram, i: number, xs: readonly number[], { m, cut }: Cut) {
  const of = quantity === 'moment' ? D.moment : D.force
  const [a, b] = [ordinates[i], ordinates[i + 1]].map((o) => m.value(o.value, of))
  const share = ordinates[i].kind === 'constant' ? 0 : (cut - xs[i]) / (xs[i + 1] - xs[i])
  const value = a + share * (b - a)
  return Number.isFinite(value) ? tidy(value) : undefined
}
