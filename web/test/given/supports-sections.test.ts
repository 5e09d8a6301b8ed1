import { edit, problemErrors, rolledShapes, type Support } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { outline, sectionShape } from '../../app/given/cross-section'
import { asProduct, eiOf, withEI, withModulus } from '../../app/given/relative-stiffness'
import { holdOf, withHold, withSettlement, withType } from '../../app/given/support-words'
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
  it('is kept as said, and gives that EI', () => {
    const p = withEI(beam, 'default', '2EI')
    expect(p.symbols).toMatchObject({ EI: '20000 kN*m^2' })
    expect(eiOf(p, p.sections![0])).toBe('2*EI')
    expect(problemErrors(p)).toEqual([])
  })
  it('stays what was said when E changes', () => {
    const p = withModulus(withEI(beam, 'default', 'EI'), 'steel', (q) =>
      edit.setMaterial(q, 'steel', { E: '210 GPa' }),
    )
    expect(p.sections![0].I).toBe('(EI)/(210 GPa)')
    expect(eiOf(p, p.sections![0])).toBe('EI')
  })
  it('takes only a symbol after a number for a product', () => {
    expect(asProduct('2EI', { EI: 1 })).toBe('2*EI')
    expect(asProduct('2 kN', { EI: 1 })).toBe('2 kN')
    expect(eiOf(beam, beam.sections![0])).toBeUndefined()
  })
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
