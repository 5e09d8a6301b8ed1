import type { Bundle } from '@viga/drawing/gathered'
import type { Placed } from '@viga/drawing/label-placement'
import type { Group } from '@viga/drawing/marks'
import { memo } from 'react'
import { bundlesOf } from './bundles'
import { GroupView, LabelView, PathView } from './SceneView'

/**
 * A drawing of thousands of members: few long paths, a place to point at for each member, and what is pointed
 * at drawn once more over them.
 */
export const LargeScene = memo(function LargeScene({
  groups,
  labels,
  lit,
}: {
  groups: readonly Group[]
  labels: readonly Placed[]
  lit: ReadonlySet<string>
}) {
  return (
    <>
      {bundlesOf(groups).map((b) => (
        <BundleView key={b.key} bundle={b} lit={lit} />
      ))}
      {labels.map((l) => (
        <LabelView key={l.key} label={l} lit={l.target !== undefined && lit.has(l.target)} />
      ))}
    </>
  )
})

function BundleView({ bundle, lit }: { bundle: Bundle; lit: ReadonlySet<string> }) {
  const { groups, paths, diagram } = bundle
  const isLit = (g: Group) => g.target !== undefined && lit.has(g.target)
  if (paths.length === 0)
    return groups.map((g) => <GroupView key={g.key} group={g} lit={isLit(g)} swinging={false} />)
  return (
    <>
      <g data-diagram={diagram ? '' : undefined}>
        {paths.map((m, i) => (
          <PathView key={i} m={m} swinging={false} />
        ))}
      </g>
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
  (a, b) => a.groups === b.groups || (a.groups.length === b.groups.length && a.groups.every(hitAs(b.groups))),
)

const hitAs =
  (others: readonly Group[]) =>
  (a: Group, i: number): boolean => {
    const b = others[i]
    return a.key === b.key && a.target === b.target && a.hit?.d === b.hit?.d && a.hit?.width === b.hit?.width
  }
