import { describe, expect, it } from 'vitest'
import { vec } from '@viga/drawing/marks'
import { placeBeside } from '../../app/figure/Floating'

describe('a form on the Figure', () => {
  it('puts a form beside a thing, not over it', () => {
    const at = [vec(350, 330)]
    const p = placeBeside(at, [], { width: 704, height: 664 }, 288, 300)
    expect(at[0].x > p.x - 20 && at[0].x < p.x + 308 && at[0].y > p.y - 20 && at[0].y < p.y + 320).toBe(false)
  })
})
