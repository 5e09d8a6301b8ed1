import { screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { Tools } from '../../app/page/Tools'
import { Gone, Unsent } from '../../app/page/Unkept'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

afterEach(() => void vi.unstubAllGlobals())

describe('undo and redo', () => {
  it('name the step they take back and make again', async () => {
    const { user, store, problem } = inSheet(beam, <Tools />)
    expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true)
    store.getState().edit('title', (p) => ({ ...p, title: 'Orchard shed' }))
    const undo = await screen.findByTitle('Undo: title')
    await user.click(undo)
    expect(problem().title).toBe('test beam')
    await user.click(screen.getByTitle('Redo: title'))
    expect(problem().title).toBe('Orchard shed')
  })
})

describe('whether it is kept', () => {
  it.each([
    [{ kind: 'saving' as const }, true, 'saving …'],
    [{ kind: 'offline' as const, message: 'Viga cannot be reached.' }, true, 'kept in this browser'],
    [{ kind: 'offline' as const, message: 'Viga cannot be reached.' }, false, 'not kept yet …'],
    [{ kind: 'gone' as const }, true, 'deleted from the Shelf'],
  ])('%j, draft %s: %s', async (save, draftKept, words) => {
    const { store } = inSheet(beam, <Tools />)
    store.setState({ save, draftKept })
    await waitFor(() => expect(screen.getByRole('status').textContent).toBe(words))
  })

  it('says that another’s problem becomes a copy with the first change', async () => {
    const { store } = inSheet(beam, <Tools />)
    store.setState({ mayWrite: false })
    expect(await screen.findByText('your first change makes a copy of your own')).toBeTruthy()
  })

  it('says why it was not sent', async () => {
    const { store } = inSheet(beam, <Unsent />)
    store.setState({ save: { kind: 'offline', message: 'The database is being restarted.' } })
    expect(await screen.findByText('The database is being restarted.')).toBeTruthy()
  })
})

describe('a problem that was taken off the Shelf while it is open', () => {
  const gone = () => {
    const sheet = inSheet(beam, <Gone />)
    sheet.store.setState({ save: { kind: 'gone' } })
    return sheet
  }
  it('is put back by a press, and saved again', async () => {
    const sent: unknown[] = []
    vi.stubGlobal('fetch', (address: string, { body }: { body: FormData }) => {
      sent.push([address, Object.fromEntries(body)])
      return Promise.resolve(new Response('', { status: 200 }))
    })
    const { user, store } = gone()
    await user.click(await screen.findByRole('button', { name: 'Put it back' }))
    expect(sent).toEqual([['/?index', { intent: 'restore', id: 'p' }]])
    expect(store.getState().save).toEqual({ kind: 'unsaved' })
  })
  it('stays, with a sentence, where that does not succeed', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    const { user, store } = gone()
    await user.click(await screen.findByRole('button', { name: 'Put it back' }))
    expect((await screen.findByRole('alert')).textContent).toContain('It could not be put back')
    expect(store.getState().save).toEqual({ kind: 'gone' })
  })
})
