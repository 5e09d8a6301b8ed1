import { memo } from 'react'
import { INDEX, sameGroup, sameMark } from '@viga/drawing/marks'
import type { Group, Mark, PathMark, TextMark } from '@viga/drawing/marks'
import type { Placed } from '@viga/drawing/label-placement'

const ink = (name: string | undefined) => (name === undefined ? 'none' : `var(--${name})`)

function Text({ m }: { m: TextMark }) {
  return (
    <text
      className={m.cls}
      x={m.x}
      y={m.y}
      fill={ink(m.fill)}
      fontSize={m.size}
      fontWeight={m.weight}
      fontStyle={m.italic ? 'italic' : undefined}
      fontFamily={m.serif ? 'var(--serif)' : 'var(--sans)'}
      textAnchor={m.anchor}
      dominantBaseline="central"
      transform={m.rotate ? `rotate(${Math.round(m.rotate * 100) / 100} ${m.x} ${m.y})` : undefined}
      {...(m.halo
        ? { paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4, strokeLinejoin: 'round' }
        : {})}
    >
      {m.text}
      {m.sub && (
        <tspan dy={INDEX.below * m.size} fontSize={INDEX.size * m.size}>
          {m.sub}
        </tspan>
      )}
      {m.aside && (
        <tspan fill="var(--ink-3)" fontWeight={400} fontSize={11.5} dx={7}>
          {m.aside}
        </tspan>
      )}
    </text>
  )
}

const MarkView = ({ m, swinging }: { m: Mark; swinging: boolean }) =>
  m.t === 'text' ? <Text m={m} /> : <PathView m={m} swinging={swinging} />

export function PathView({ m, swinging }: { m: PathMark; swinging: boolean }) {
  return (
    <path
      className={m.cls ?? (m.stroke === undefined && m.fill ? 'solid' : undefined)}
      d={m.d}
      stroke={ink(m.stroke)}
      strokeWidth={m.width}
      fill={ink(m.fill)}
      strokeDasharray={m.dash}
      // of the stroke or the fill alone: the whole element would be painted on a ground of its own first
      strokeOpacity={m.stroke === undefined ? undefined : m.opacity}
      fillOpacity={m.fill === undefined ? undefined : m.opacity}
      strokeLinejoin={m.round ? 'round' : 'miter'}
      strokeLinecap="butt"
    >
      {m.rest !== undefined && swinging && (
        <animate
          attributeName="d"
          dur="2.6s"
          repeatCount="indefinite"
          values={`${m.rest};${m.d};${m.rest}`}
          calcMode="spline"
          keyTimes="0;0.5;1"
          keySplines="0.4 0 0.6 1;0.4 0 0.6 1"
        />
      )}
    </path>
  )
}

interface GroupProps {
  group: Group
  lit: boolean
  /** The deflected shape goes to and fro. */
  swinging: boolean
}

export const GroupView = memo(
  function GroupView({ group, lit, swinging }: GroupProps) {
    return (
      <g
        data-target={group.target}
        data-diagram={group.diagram ? '' : undefined}
        className={lit ? 'lit' : undefined}
      >
        {group.marks.map((m, i) => (
          <MarkView key={i} m={m} swinging={swinging} />
        ))}
        {group.hit && (
          <path
            className="hit"
            d={group.hit.d}
            // a level line without a stroke has no height: nothing that finds it by its place could press it
            stroke="transparent"
            strokeWidth={group.hit.width}
            fill="none"
            strokeLinecap="round"
            pointerEvents="stroke"
          />
        )}
      </g>
    )
  },
  (a, b) => a.lit === b.lit && a.swinging === b.swinging && sameGroup(a.group, b.group),
)

interface LabelProps {
  label: Placed
  lit: boolean
}

export const LabelView = memo(
  function LabelView({ label, lit }: LabelProps) {
    return (
      <g data-target={label.target} className={lit ? 'lit' : undefined}>
        <Text m={label.mark} />
      </g>
    )
  },
  (a, b) => a.lit === b.lit && a.label.target === b.label.target && sameMark(a.label.mark, b.label.mark),
)

/** Draws a scene; what is pointed at is lit by class, so that pointing repaints one group. */
export const SceneView = memo(function SceneView({
  groups,
  labels,
  lit,
  swinging = false,
}: {
  groups: readonly Group[]
  labels: readonly Placed[]
  lit: ReadonlySet<string>
  swinging?: boolean
}) {
  return (
    <>
      {groups.map((g) => (
        <GroupView
          key={g.key}
          group={g}
          lit={g.target !== undefined && lit.has(g.target)}
          swinging={swinging}
        />
      ))}
      {labels.map((l) => (
        <LabelView key={l.key} label={l} lit={l.target !== undefined && lit.has(l.target)} />
      ))}
    </>
  )
})
