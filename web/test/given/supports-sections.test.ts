import { edit, problemErrors, resolve, rolledShapes, type Support } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { sectionShape } from '../../app/given/cross-section'
import { outline } from '../../app/given/section-outline'
import { byRigidity, withRigidity } from '@viga/core/statement/rigidities'
import { holdOf, withHold, withSettlement, withType } from '@viga/core/statement/supports'
import { beam } from '../problems'

describe('a support, direction by direction', () => {
  const pin: Omit<Support, 'node'> = { type: 'pin', angle: '30 deg' }
  it('becomes its own kind and a common one again', () => {
    const sprung = withHold(pin, 'y', '500 kN/m')
    expect(sprung).toEqual({ restrain: { x: 'fixed', y: '500 kN/m', rotation: 'free' }, angle: '30 deg' })
    expect(holdOf(sprung, 'y')).toBe('500 kN/m')
    expect(withHold(withHold(sprung, 'y', 'fixed'), 'rotation', 'fixed')).toEqual({
      type: 'fixed',
      angle: '30 deg',
    })
  })
  it('settles only where it is held', () => {
    const settled = { ...withSettlement(pin, 'y', '-5 mm'), settlementCase: '1' }
    expect(withHold(settled, 'y', 'free')).toEqual({
      restrain: { x: 'fixed', y: 'free', rotation: 'free' },
      angle: '30 deg',
    })
    expect(withType(settled, 'roller')).toEqual({
      type: 'roller',
      angle: '30 deg',
      settlement: { y: '-5 mm' },
      settlementCase: '1',
    })
    expect(withType(settled, 'slider')).toEqual({ type: 'slider', angle: '30 deg' })
    expect(problemErrors(edit.setSupport(beam, 'A', settled))).toEqual([])
  })
})

describe('relative stiffness', () => {
  it('is kept as said, makes its reference where there is none, and gives that EI', () => {
    const p = withRigidity(beam, 'default', 'EI', '2EI')
    expect(p.symbols).toMatchObject({ EI: '20000 kN*m^2' })
    expect(p.sections![0].EI).toBe('2EI')
    expect(problemErrors(p)).toEqual([])
    const r = resolve(p)
    expect(r.ok && r.structure.members[0].EI).toBe(40_000_000)
    expect(byRigidity(p.sections![0])).toBe(true)
  })
  it('stays what was said when the material changes', () => {
    const p = edit.setMaterial(withRigidity(beam, 'default', 'EI', 'EI'), 'steel', { E: '70 GPa' })
    const r = resolve(p)
    expect(r.ok && r.structure.members[0].EI).toBe(20_000_000)
  })
  it('is taken away by an empty text', () =>
    expect(withRigidity(withRigidity(beam, 'default', 'EA', '5 kN'), 'default', 'EA', ' ').sections).toEqual(
      beam.sections,
    ))
  it('is not what a section without one has', () => expect(byRigidity(beam.sections![0])).toBe(false))
})

describe('the drawn cross-section', () => {
  it.each(
    rolledShapes()
      .filter((_, i) => i % 23 === 0)
      .map((s) => [s.designation]),
  )('%s has an outline and its own A', (designation) => {
    const shape = sectionShape({ id: 's', catalogue: designation }, beam)!
    expect(outline(shape, 100)).toMatch(/^M.*Z$/)
    expect(outline(shape, 100)).not.toContain('NaN')
    expect(shape.properties.A).toBeGreaterThan(0)
  })
  it('is as high as the shape is deep', () => {
    const shape = sectionShape(
      { id: 's', shape: { type: 'I', b: '100 mm', h: '200 mm', tf: '10 mm', tw: '6 mm' } },
      beam,
    )!
    const ys = [...outline(shape, 1000).matchAll(/[ML]\S+ (-?[\d.]+)/g)].map((m) => Number(m[1]))
    expect([Math.min(...ys), Math.max(...ys)]).toEqual([-100, 100])
  })
  it('is nothing for a section by A and I, or by sides that make no shape', () => {
    expect(sectionShape(beam.sections![0], beam)).toBeUndefined()
    expect(sectionShape({ id: 's', shape: { type: 'tube', d: '10 mm', t: '9 mm' } }, beam)).toBeUndefined()
    expect(sectionShape({ id: 's', shape: { type: 'circle', d: 'nonsense' } }, beam)).toBeUndefined()
  })
})
