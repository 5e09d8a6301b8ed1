import { render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import type { ShelfPage } from '../../app/server/shelf.server'
import { Shelf } from '../../app/shelf/Shelf'

const card = (title: string): ShelfPage['cards'][number] => ({
  whose: 'own',
  id: title,
  title,
  statement: 'A beam.',
  drawing: '',
  status: { text: 'solved', bad: false, signs: [] },
})

/** The Shelf over a loader that says what it was asked for. */
function shelf(pages = 1, all = 60) {
  const asked: string[] = []
  const sent: unknown[] = []
  const Stub = createRoutesStub([
    {
      path: '/',
      HydrateFallback: () => null,
      loader: ({ request }): ShelfPage => {
        const { searchParams } = new URL(request.url)
        asked.push(searchParams.toString())
        const page = Number(searchParams.get('page') ?? 1)
        return {
          cards: all === 0 || searchParams.get('find') === 'nothing' ? [] : [card(`Rail ${page}`)],
          counts: { all, beam: 50, frame: 10, truss: 0 },
          page,
          pages,
        }
      },
      action: async ({ request }) => {
        sent.push((await request.formData()).get('intent'))
        return { ok: true }
      },
      Component: ({ loaderData }) => <Shelf {...(loaderData as ShelfPage)} />,
    },
  ])
  render(<Stub initialEntries={['/']} />)
  return { asked, sent, user: userEvent.setup() }
}

describe('the Shelf', () => {
  it('counts the problems by kind, and asks for one kind', async () => {
    const { asked, user } = shelf()
    const kinds = await screen.findByRole('navigation', { name: 'Kinds of problem' })
    await user.click(within(kinds).getByRole('button', { name: 'Beams50' }))
    expect(asked.at(-1)).toBe('kind=beam')
    expect(await within(kinds).findByRole('button', { name: 'Beams50', pressed: true })).toBeTruthy()
    await user.click(within(kinds).getByRole('button', { name: 'All60' }))
    expect(await within(kinds).findByRole('button', { name: 'All60', pressed: true })).toBeTruthy()
    expect(asked.at(-1)).toBe('')
  })
  it('is searched as one types, and says when nothing is found', async () => {
    const { asked, user } = shelf()
    await screen.findByText('Rail 1')
    await user.keyboard('/')
    await user.keyboard('nothing')
    expect(await screen.findByText('No problem on the Shelf is like that.')).toBeTruthy()
    expect(asked.at(-1)).toBe('find=nothing')
    await user.keyboard('{Escape}')
    expect(await screen.findByText('Rail 1')).toBeTruthy()
  })
  it('says how to begin when it is empty, and puts the examples there', async () => {
    const { user, sent } = shelf(1, 0)
    expect(await screen.findByText(/The Shelf is empty/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Put the examples on the Shelf' }))
    expect(sent).toEqual(['examples'])
  })
  it('has pages where there are many, and begins at the first for other words', async () => {
    const { asked, user } = shelf(3)
    await user.click(await screen.findByRole('button', { name: 'page 3' }))
    expect(await screen.findByText('Rail 3')).toBeTruthy()
    await user.type(screen.getByPlaceholderText('Find'), 'r')
    expect(await screen.findByText('Rail 1')).toBeTruthy()
    expect(asked.at(-1)).toBe('find=r')
  })
})
