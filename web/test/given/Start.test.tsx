import { screen } from '@testing-library/react'
import { createSolver, newProblem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Compass } from '../../app/given/Compass'
import { Start } from '../../app/given/Start'
import { inSheet } from '../in-sheet'

describe('shapes to begin with', () => {
  const empty = newProblem('empty')

  it('stand open on an empty sheet, and put in a beam that can be solved', async () => {
    const { user, problem } = inSheet(empty, <Start open={false} setOpen={() => {}} />)
    const spans = await screen.findByRole('textbox', { name: 'spans' })
    await user.clear(spans)
    await user.type(spans, '3@5')
    await user.click(screen.getByRole('button', { name: 'insert' }))
    expect(problem().members).toHaveLength(3)
    expect(createSolver()(problem()).stage).toBe('solved')
  })

  it.each(['frame', 'gable'])('put in a %s of members that hold together', async (kind) => {
    const { user, problem } = inSheet(empty, <Start open={false} setOpen={() => {}} />)
    await user.selectOptions(await screen.findByRole('combobox', { name: 'starting shape' }), kind)
    await user.click(screen.getByRole('button', { name: 'insert' }))
    expect(problem().members.length).toBeGreaterThan(2)
    expect(createSolver()(problem()).stage).toBe('solved')
  })

  it('say at once what cannot be read, and put nothing in', async () => {
    const { user, problem } = inSheet(empty, <Start open={false} setOpen={() => {}} />)
    const spans = await screen.findByRole('textbox', { name: 'spans' })
    await user.clear(spans)
    await user.type(spans, '3@')
    expect(screen.getByRole('button', { name: 'insert' })).toHaveProperty('disabled', true)
    await user.type(spans, '{Enter}')
    expect(problem()).toBe(empty)
  })
})

describe('the dial of a direction', () => {
  it('is turned to the quarters by the arrow keys', async () => {
    const turned: number[] = []
    const { user } = inSheet(
      newProblem('dial'),
      <Compass degrees={-90} name="direction" onChange={(d) => turned.push(d)} />,
    )
    const dial = screen.getByRole('slider', { name: 'direction' })
    expect(dial.getAttribute('aria-valuetext')).toBe('-90°')
    dial.focus()
    await user.keyboard('{ArrowUp}{ArrowLeft}{ArrowRight}{ArrowDown}')
    expect(turned).toEqual([90, 180, 0, -90])
  })
})
