import { measure, readStep } from '@viga/core'
import type { Vec } from '@viga/drawing/marks'
import { connect, type End } from './drawing'
import { apply, jointNear, screenOf, snap, type GhostState, type Hand, type Press } from './hand'

/** Where the member being drawn begins, while a press or a chain draws one. */
function start({ press, chain, structure }: Hand): End | null {
  const p = press.current
  if (p?.moved) return p.from ? { id: p.from } : p.fromPoint
  return chain !== null && structure?.nodes.some((n) => n.id === chain) ? { id: chain } : null
}

/** Shows at the pointer what a click there would draw. */
export function showGhost(hand: Hand, p: Vec) {
  const joint = jointNear(hand, p)
  const at = snap(hand, p)
  const from = start(hand)
  hand.setGhost((g) => ({
    point: screenOf(hand, joint ? { id: joint } : at),
    ...at,
    joint,
    from: from && screenOf(hand, from),
    refusal: g.refusal,
  }))
}

/** Draws a member; returns the joint it ends at. */
function draw(hand: Hand, from: End, to: End): string | null {
  let end: string | null = null
  const done = apply(hand, 'member', (p) => {
    const made = connect(p, from, to)
    end = made.end
    return made.problem
  })
  return done ? end : null
}

/** Ends a press while drawing: a drag is a member, a click a joint or the next member of a chain. */
export function drawnTo(hand: Hand, p: Press, at: Vec) {
  const { chain, setChain } = hand
  const joint = jointNear(hand, at)
  const place = joint ? { id: joint } : snap(hand, at)
  if (p.moved) {
    draw(hand, p.from ? { id: p.from } : p.fromPoint!, place)
    setChain(null)
  } else if (chain && joint !== chain) setChain(draw(hand, { id: chain }, place))
  else if (joint) setChain(chain === joint ? null : joint)
  else if (p.fromPoint) draw(hand, p.fromPoint, p.fromPoint)
  showGhost(hand, at)
}

/**
 * Places the end of the member being drawn, or the next joint, by what was typed.
 * @returns why the text is refused, or null
 */
export function placeTyped({ store, chain, setChain }: Hand, ghost: GhostState, text: string): string | null {
  const p = store.getState().problem
  const from = chain === null ? undefined : measure(p).at.get(chain)
  const base = from ?? { x: 0, y: 0 }
  const by = readStep(text, p, { x: ghost.x - base.x, y: ghost.y - base.y })
  if ('message' in by) return by.message
  const to = { x: Number((base.x + by.x).toPrecision(12)), y: Number((base.y + by.y).toPrecision(12)) }
  let end = chain
  const error = store.getState().edit(
    from ? 'member' : 'joint',
    (q) => {
      const made = from ? connect(q, { id: chain! }, to) : connect(q, to, to)
      end = made.end
      return made.problem
    },
    { select: null, shown: true },
  )
  if (error) return error.message
  setChain(end)
  return null
}
