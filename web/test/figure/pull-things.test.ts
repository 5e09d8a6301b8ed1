import { edit, resolve, thing, type Problem } from '@viga/core'
import { onScreen, type View } from '@viga/drawing/view'
import { beforeEach, describe, expect, it } from 'vitest'
import { NO_GHOST, jointNear, snap, type GhostState, type Hand, type Press } from '../../app/figure/hand'
import { endClicked, letGo, movedJoint, turnEnd } from '../../app/figure/pull-things'
import { endMember, selectInside } from '../../app/figure/select-things'
import { createSheet, type SheetStore } from '../../app/sheet/store'
import { targetsOf } from '../../app/sheet/targets'
import { beam } from '../problems'

const VIEW: View = { scale: 50, ox: 100, oy: 300, width: 800, height: 600 }
let store: SheetStore
let ghost: GhostState
let views: View[]

/** A hand on the Figure of a problem, 50 px a metre, crossings every half metre. */
function hand(problem: Problem): Hand {
  store = createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
  const r = resolve(problem)
  if (!r.ok) throw new Error(r.errors[0].message)
  return {
    view: VIEW,
    setView: (v) => void views.push(typeof v === 'function' ? v(VIEW) : v),
    drawing: false,
    movable: true,
    structure: r.structure,
    refit: () => {},
    fitting: true,
    grips: [],
    grid: undefined,
    reads: false,
    store,
    si: 1,
    step: 0.5,
    press: { current: null },
    fingers: { current: new Map() },
    refits: { current: false },
    chain: null,
    setChain: () => {},
    moving: false,
    setMoving: () => {},
    setBusy: () => {},
    setBox: () => {},
    setGhost: (change) => (ghost = change(ghost)),
  }
}
beforeEach(() => {
  ghost = NO_GHOST
  views = []
})
const at = (x: number, y: number) => onScreen(VIEW, x, y)
const press = (x: number, y: number, from: string | null = null): Press => ({
  at: at(x, y),
  target: null,
  view: VIEW,
  moved: true,
  from,
  fromPoint: null,
  box: false,
})
const problem = () => store.getState().problem

describe('the place under a pointer', () => {
  it('is the crossing of the grid that lies nearest', () => {
    const h = hand(beam)
    expect(snap(h, at(2.1, 0.9))).toMatchObject({ x: 2, y: 1 })
    expect(snap(h, at(2.3, -0.4))).toMatchObject({ x: 2.5, y: -0.5 })
  })
  it('is a joint where one is near', () => {
    const h = hand(beam)
    expect(jointNear(h, { x: at(4, 0).x + 6, y: at(4, 0).y - 5 })).toBe('B')
    expect(jointNear(h, at(3, 0))).toBeNull()
  })
})

describe('a joint that is dragged', () => {
  it('goes to the crossing under the pointer, as one step however far', () => {
    const h = hand(beam)
    for (const x of [4.4, 5.1, 5.6]) movedJoint(h, press(4, 0, 'B'), at(x, 1.2))
    expect(problem().nodes[1]).toMatchObject({ x: 5.5, y: 1 })
    expect(store.getState().past).toHaveLength(1)
    expect(ghost.point).toEqual(at(5.5, 1))
  })
  it('lets the view stand still, which fits itself again afterwards', () => {
    const h = hand(beam)
    movedJoint(h, press(4, 0, 'B'), at(5, 1))
    expect(views).toEqual([VIEW])
    expect(h.refits.current).toBe(true)
    expect(store.getState().dragging).toBe(true)
  })
  it('let go on another, becomes one with it, and says so', () => {
    const apart = edit.addNode(beam, 6, 2)
    const h = hand(edit.addMembers(apart, ['C', 'D']))
    movedJoint(h, press(6, 2, 'D'), at(4, 0))
    letGo(h, 'D')
    expect(problem().nodes.map((n) => n.id)).toEqual(['A', 'B', 'C'])
    expect(store.getState().refused).toMatch(/B|D/)
  })
  it('let go in the open changes nothing more', () => {
    const h = hand(beam)
    movedJoint(h, press(4, 0, 'B'), at(4, 2))
    const before = problem()
    letGo(h, 'B')
    expect(problem()).toBe(before)
  })
})

describe('a rectangle', () => {
  it('selects the joints inside it and the members between them, beside what was selected', () => {
    const h = hand(beam)
    store.getState().select(thing.load('1', 0))
    selectInside(h, press(-0.5, -1), at(4.5, 1))
    expect(targetsOf(store.getState().selection)).toEqual([
      thing.load('1', 0),
      thing.node('A'),
      thing.node('B'),
      thing.member('AB'),
    ])
  })
  it('drawn from any corner is the same', () => {
    const h = hand(beam)
    selectInside(h, press(8.5, 1), at(3.5, -1))
    expect(targetsOf(store.getState().selection)).toEqual([
      thing.node('B'),
      thing.node('C'),
      thing.member('BC'),
    ])
  })
  it('round nothing selects nothing', () => {
    const h = hand(beam)
    selectInside(h, press(1, 2), at(3, 4))
    expect(store.getState().selection).toBeNull()
  })
})

describe('the end of a member', () => {
  it('turns hinged by its ring, and rigid again', () => {
    const h = hand(beam)
    const ring = thing.ring('AB', 'end')
    turnEnd(h, ring)
    expect(problem().members[0].releases).toEqual({ end: { M: true } })
    turnEnd(h, ring)
    expect(problem().members[0].releases?.end?.M).toBeUndefined()
  })
  it('loses its hinge by a press on it; the member is what was pressed', () => {
    const h = hand(edit.setHinge(beam, 'AB', 'end', true))
    expect(endClicked(h, thing.end('AB', 'end'))).toBe(thing.member('AB'))
    expect(problem().members[0].releases?.end?.M).toBeUndefined()
  })
  it('keeps its hinge where the structure is only looked at', () => {
    const h = { ...hand(edit.setHinge(beam, 'AB', 'end', true)), movable: false }
    endClicked(h, thing.end('AB', 'end'))
    expect(problem().members[0].releases).toEqual({ end: { M: true } })
  })
  it('counts as its member among several things', () => {
    expect(endMember(thing.end('AB', 'start'))).toBe(thing.member('AB'))
    expect(endMember(thing.node('A'))).toBe(thing.node('A'))
  })
})
