import type { DiagramKey } from '@viga/drawing/diagrams'
import type { Bundle } from '@viga/drawing/gathered'
import type { Placed } from '@viga/drawing/label-placement'
import type { Group } from '@viga/drawing/marks'
import { memo } from 'react'
import { bundlesOf } from './bundles'
import type { Ahead } from './drawn-scene'
import { GroupView, LabelView, PathView } from './SceneView'

/**
 * A drawing of thousands of members: few long paths, a place to point at for each member, and what is pointed
 * at drawn once more over them. The other diagrams lie ready, painted and unseen, each as a picture of its
 * own: another one is there without painting anything.
 */
export const LargeScene = memo(function LargeScene({
  groups,
  labels,
  lit,
  diagram = null,
  ahead = [],
}: {
  groups: readonly Group[]
  labels: readonly Placed[]
  lit: ReadonlySet<string>
  /** The diagram that is drawn, if any. */
  diagram?: DiagramKey | null
  ahead?: readonly Ahead[]
}) {
  const bundles = bundlesOf(groups)
  return (
    <>
      {DIAGRAM_KEYS.map((key) => {
        const drawn = key === diagram ? groups : ahead.find((a) => a.diagram === key)?.groups
        return drawn && <DiagramView key={key} groups={drawn} unseen={key !== diagram} />
      })}
      <g style={OWN_PICTURE}>
        {bundles.map((b) => (
          <BundleView key={b.key} bundle={b} lit={lit} below={diagram !== null && under(bundles, b)} />
        ))}
      </g>
      <g style={OWN_PICTURE}>
        {labels.map((l) => (
          <LabelView key={l.key} label={l} lit={l.target !== undefined && lit.has(l.target)} />
        ))}
      </g>
    </>
  )
})

const DIAGRAM_KEYS = ['N', 'V', 'M'] as const satisfies readonly DiagramKey[]

/** A browser keeps what it has painted of this as a picture, also while it cannot be seen. */
const OWN_PICTURE = { willChange: 'opacity' }

/** Whether a bundle is of the diagrams that everything else is drawn over. */
const under = (bundles: readonly Bundle[], b: Bundle) =>
  bundles.slice(0, bundles.indexOf(b) + 1).every((o) => o.diagram)

interface DiagramProps {
  groups: readonly Group[]
  unseen: boolean
}

/** The diagrams below everything else. */
const DiagramView = memo(function DiagramView({ groups, unseen }: DiagramProps) {
  const bundles = bundlesOf(groups)
  const paths = bundles.filter((b) => under(bundles, b)).flatMap((b) => b.paths)
  return (
    <g data-diagram={unseen ? undefined : ''} className={unseen ? 'unseen' : undefined} style={OWN_PICTURE}>
      {paths.map((m, i) => (
        <PathView key={i} m={m} swinging={false} />
      ))}
    </g>
  )
})

interface BundleProps {
  bundle: Bundle
  lit: ReadonlySet<string>
  /** The paths of the bundle are drawn already, below everything else. */
  below: boolean
}

function BundleView({ bundle, lit, below }: BundleProps) {
  const { groups, paths, diagram } = bundle
  const isLit = (g: Group) => g.target !== undefined && lit.has(g.target)
  if (paths.length === 0)
    return groups.map((g) => <GroupView key={g.key} group={g} lit={isLit(g)} swinging={false} />)
  return (
    <>
      {!below && (
        <g data-diagram={diagram ? '' : undefined}>
          {paths.map((m, i) => (
            <PathView key={i} m={m} swinging={false} />
          ))}
        </g>
      )}
      <Hits groups={groups} />
      {lit.size > 0 &&
        groups.filter(isLit).map((g) => <GroupView key={`lit ${g.key}`} group={g} lit swinging={false} />)}
    </>
  )
}

interface HitsProps {
  groups: readonly Group[]
}

/**
 * Where pointing counts. Thousands of places are the same under every diagram, so they are compared here and
 * left alone as a whole.
 */
const Hits = memo(
  function Hits({ groups }: HitsProps) {
    return groups.map(
      ({ key, target, hit }) =>
        hit && (
          <path
            key={key}
            data-target={target}
            className="hit"
            d={hit.d}
            stroke="none"
            strokeWidth={hit.width}
            fill="none"
            strokeLinecap="round"
            pointerEvents="stroke"
          />
        ),
    )
  },
  (a, b) => sameHits(a.groups, b.groups),
)

/** Groups that are known to be pointed at in the same places as others. */
const alike = new WeakMap<readonly Group[], WeakSet<readonly Group[]>>()

/** Whether two drawings are pointed at in the same places; the same two are compared once. */
function sameHits(a: readonly Group[], b: readonly Group[]): boolean {
  if (a === b || alike.get(a)?.has(b)) return true
  const same = a.length === b.length && a.every(hitAs(b))
  if (same) alike.set(a, (alike.get(a) ?? new WeakSet()).add(b))
  return same
}

const hitAs =
  (others: readonly Group[]) =>
  (a: Group, i: number): boolean => {
    const b = others[i]
    return a.key === b.key && a.target === b.target && a.hit?.d === b.hit?.d && a.hit?.width === b.hit?.width
  }
