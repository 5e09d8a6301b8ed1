import { describe, expect, it } from 'vitest'
import { linksAfter } from '../../app/figure/chain'

const links = [
  { joint: 'A', steps: 1 },
  { joint: 'B', steps: 2 },
  { joint: 'C', steps: 3 },
]
const all = () => true

describe('a chain of members that is being drawn', () => {
  it('goes on from the joint before when its last member is undone', () => {
    expect(linksAfter(links, 2, all).at(-1)!.joint).toBe('B')
    expect(linksAfter(links, 0, all)).toEqual([])
  })
  it('stays as it is when something else is done', () => expect(linksAfter(links, 7, all)).toBe(links))
  it('leaves out a joint that was taken out', () =>
    expect(linksAfter(links, 3, (id) => id !== 'C').at(-1)!.joint).toBe('B'))
})
