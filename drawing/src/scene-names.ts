import { formatPlain, thing, type Display, type Structure } from '@viga/core'
import { again, ring, type LabelRequest } from './label-placement'
import { plus, textWidth, times, unit, uprightAngle, vec, type TextMark, type Vec } from './marks'
import { endsAtNodes, FULL_HAND } from './members'
import { poseOf } from './supports'
import { MANY, memberLine, onScreen, type View } from './view'

/** Joint letters stand outside the angle of their members. */
export function jointLetters(s: Structure, view: View): LabelRequest[] {
  const ends = endsAtNodes(s)
  const dense = s.members.length > MANY
  // among very many a letter far from its joint would be taken for another's: it stands close by or not at
  // all
  const crowded = s.members.length > 100
  return s.nodes.map((n, i) => {
    const c = onScreen(view, n.x, n.y)
    const away = ends[i].map(({ member, end }) =>
      times(memberLine(s, view, s.members[member]).dir, end === 0 ? -1 : 1),
    )
    const support = s.supports.find((p) => p.node === i)
    const sum = away.reduce((t, v) => plus(t, v), vec(0, 0))
    const ground = support ? poseOf(s, view, support, FULL_HAND, ends).ground : undefined
    let prefer = Math.hypot(sum.x, sum.y) > 0.3 ? unit(sum) : vec(-0.5, -0.85)
    if (ground && prefer.x * ground.x + prefer.y * ground.y > 0.5)
      prefer = unit(plus(times(ground, -0.35), vec(-ground.y, ground.x)))
    const mark: Omit<TextMark, 'x' | 'y'> = {
      t: 'text',
      text: n.id,
      size: dense ? 13 : 17,
      weight: 500,
      italic: true,
      serif: true,
      fill: 'ink',
      halo: true,
    }
    return {
      key: `j${n.id}`,
      target: thing.node(n.id),
      mark,
      candidates: again(() =>
        ring(
          c,
          prefer,
          crowded ? [11, 14] : [11, 15, 21, 28, 38],
          textWidth(n.id, mark.size),
          mark.size * 0.7,
        ),
      ),
      about: { c, r: 46 },
      clear: 3,
      ...(crowded ? { optional: true } : {}),
    }
  })
}

/** Among more members than this, a name without a free place is left out. */
const FEW = 8

/** Words along a member: above or below it, at its middle first. */
function alongMember(s: Structure, view: View, i: number, shares: readonly number[]) {
  const l = memberLine(s, view, s.members[i])
  const candidates: Vec[] = shares.flatMap((f) =>
    [-1, 1].map((k) => plus(plus(l.a, l.dir, f * l.px), l.up, k * 15)),
  )
  const mark = {
    t: 'text',
    size: 13,
    italic: true,
    serif: true,
    fill: 'ink-2',
    rotate: uprightAngle(l.dir),
    halo: true,
  } as const
  return { candidates, mark }
}

/** Member names with their lengths, along the member; the name alone where there is no room for both. */
export function memberNames(s: Structure, view: View, display: Display, spare: boolean): LabelRequest[] {
  return s.members.map((m, i) => {
    const { candidates, mark } = alongMember(s, view, i, [0.5, 0.38, 0.62, 0.26, 0.74])
    const length = `${formatPlain(m.length * display.length.perSI, 4)} ${display.length.unit}`
    return {
      key: `n${i}`,
      target: thing.member(m.id),
      mark: { ...mark, text: `${m.id}, ${length}` },
      candidates,
      clear: 2,
      shorter: m.id,
      // the table of members has every name and length
      optional: spare || s.members.length > FEW,
    }
  })
}

/** Rigidities in letters, each along its member, as a book writes `2EI`. */
export function rigidityNames(
  s: Structure,
  view: View,
  rigidities: ReadonlyMap<string, string>,
): LabelRequest[] {
  return s.members.flatMap((m, i): LabelRequest[] => {
    const text = rigidities.get(m.id)
    if (text === undefined) return []
    const { candidates, mark } = alongMember(s, view, i, [0.5, 0.3, 0.7, 0.4, 0.6, 0.2, 0.8])
    return [
      {
        key: `ei${i}`,
        target: thing.member(m.id),
        mark: { ...mark, fill: 'ink', text },
        candidates,
        clear: 2,
        optional: s.members.length > FEW,
      },
    ]
  })
}
