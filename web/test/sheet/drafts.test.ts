import { edit, thing, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { carriedOver, draftKey, labelOfThing, readDrafts, unread, type Drafts } from '../../app/sheet/drafts'
import { beam } from '../problems'

const of = (key: string) => ({ thing: key, label: labelOfThing(key) })
const withLoads = [3, 5, 7].reduce<Problem>(
  (p, fy) => edit.addLoad(p, 'D', { type: 'nodal', node: p.nodes[0].id, fy }),
  { ...beam, loadCases: [{ id: 'D', loads: [] }], combinations: [] },
)
const amount = (i: number) => draftKey(`amount of load ${i + 1} of D`, of(thing.load('D', i)))
const drafts = (key: string, field: string): Drafts => ({
  [key]: { text: '4*', message: 'An operand is missing.', field },
})

describe('a text that cannot be read belongs to its thing', () => {
  it('and goes along with a load that moves up', () => {
    const [before, after] = [withLoads, edit.removeLoad(withLoads, 'D', 0)]
    expect(carriedOver(drafts(amount(2), 'amount of load 3 of D'), before, after)).toEqual(
      drafts(amount(1), 'amount of load 2 of D'),
    )
  })
  it('and stays with a load that is changed in place', () => {
    const after = edit.setLoad(withLoads, 'D', 1, { type: 'nodal', node: withLoads.nodes[0].id, fy: 6 })
    const kept = drafts(amount(1), 'amount of load 2 of D')
    expect(carriedOver(kept, withLoads, after)).toBe(kept)
  })
  it('and is gone with a load that is taken out, never to be read of the next one', () => {
    const after = edit.removeLoad(withLoads, 'D', 1)
    expect(carriedOver(drafts(amount(1), 'amount of load 2 of D'), withLoads, after)).toEqual({})
  })
  it('and follows a joint to its new label', () => {
    const id = beam.nodes[1].id
    const after = edit.renameNode(beam, id, 'Q')
    const [was, is] = [thing.node(id), thing.node('Q')]
    expect(carriedOver(drafts(draftKey(`x of ${id}`, of(was)), `x of ${id}`), beam, after)).toEqual(
      drafts(draftKey('x of Q', of(is)), 'x of Q'),
    )
  })
  it('and is listed only while its thing is there', () => {
    const id = beam.nodes[1].id
    const kept = drafts(draftKey(`x of ${id}`, of(thing.node(id))), `x of ${id}`)
    expect(unread(kept, beam)).toMatchObject([{ field: `x of ${id}`, text: '4*' }])
    expect(unread(kept, edit.removeNodes(beam, [id]))).toEqual([])
    expect(unread({ waiting: { text: '3' } }, beam)).toEqual([])
  })
})

describe('texts kept by a browser', () => {
  it.each([
    [{ 'x of A': '4*' }, { 'x of A': { text: '4*' } }],
    [{ a: { text: 'b', message: 'c', field: 'd' } }, { a: { text: 'b', message: 'c', field: 'd' } }],
    [{ a: 7, b: null, c: { deep: 1 } }, {}],
    ['nothing', {}],
    [null, {}],
  ])('%j', (kept, read) => expect(readDrafts(kept)).toEqual(read))
})
