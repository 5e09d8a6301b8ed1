import { screen, within } from '@testing-library/react'
import { measure, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { Conflict } from '../../app/page/Conflict'
import { TitleField } from '../../app/page/TitleField'
import UnitsChoice from '../../app/page/UnitsChoice'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

describe('the title', () => {
  it('is edited where it stands; Escape gives it up, and nothing typed is no title', async () => {
    const { user, problem } = inSheet(beam, <TitleField />)
    await user.click(screen.getByRole('button', { name: 'test beam' }))
    await user.type(screen.getByRole('textbox', { name: 'Title' }), 'Orchard shed{Escape}')
    expect(problem().title).toBe('test beam')
    await user.click(screen.getByRole('button', { name: 'test beam' }))
    await user.clear(screen.getByRole('textbox', { name: 'Title' }))
    await user.type(screen.getByRole('textbox', { name: 'Title' }), '   {Enter}')
    expect(problem().title).toBe('test beam')
    await user.click(screen.getByRole('button', { name: 'test beam' }))
    await user.clear(screen.getByRole('textbox', { name: 'Title' }))
    await user.type(screen.getByRole('textbox', { name: 'Title' }), 'Orchard shed{Enter}')
    expect(problem().title).toBe('Orchard shed')
  })
})

describe('the units', () => {
  const choice = (problem: Problem = beam) =>
    inSheet(problem, <UnitsChoice anchor={document.body} onClose={() => {}} />)

  it('convert plain numbers where that is chosen, and say what was done', async () => {
    const { user, problem, store } = choice()
    await user.click(await screen.findByRole('menuitem', { name: /kip, ft/ }))
    const asked = await screen.findByRole('dialog')
    await user.click(within(asked).getByRole('button', { name: /onvert/ }))
    expect(problem().units).toMatchObject({ force: 'kip', length: 'ft' })
    expect(measure(problem()).at.get('C')!.x).toBeCloseTo(8 / 0.3048, 6)
    expect(store.getState().said).toBeTruthy()
  })

  it('read the same numbers anew where that is chosen', async () => {
    const { user, problem } = choice()
    await user.click(await screen.findByRole('menuitem', { name: /kip, ft/ }))
    const asked = await screen.findByRole('dialog')
    const buttons = within(asked).getAllByRole('button')
    await user.click(buttons.find((b) => /anew|same numbers/i.test(b.textContent))!)
    expect(problem().units).toMatchObject({ force: 'kip', length: 'ft' })
    expect(problem().nodes[1].x).toBe(4)
  })
})

describe('two versions of one problem', () => {
  const theirs: Problem = { ...beam, title: 'their beam' }
  const conflict = () => {
    const sheet = inSheet({ ...beam, title: 'my beam' }, <Conflict />)
    sheet.store.setState({
      save: { kind: 'conflict', newer: { problem: theirs, revision: 7, changedAt: '2026-10-01T10:00:00Z' } },
    })
    return sheet
  }

  it('are both named; mine is saved over the newer revision', async () => {
    const { user, store, problem } = conflict()
    expect((await screen.findByRole('alert')).textContent).toContain('3 joints, 2 members')
    await user.click(screen.getByRole('button', { name: 'Keep mine' }))
    expect(problem().title).toBe('my beam')
    expect(store.getState()).toMatchObject({ revision: 7, save: { kind: 'unsaved' } })
  })

  it('the other is taken, and mine is one undo away', async () => {
    const { user, store, problem } = conflict()
    await user.click(await screen.findByRole('button', { name: 'Take the other' }))
    expect(problem().title).toBe('their beam')
    store.getState().undo()
    expect(problem().title).toBe('my beam')
  })
})
