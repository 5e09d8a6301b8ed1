import { act, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { createRoutesStub, Link, Outlet } from 'react-router'
import { afterEach, expect, it, vi } from 'vitest'
import type { CommandGroup } from '../../app/commands/command'
import { EarlyKeys, expectKeys, takeEarlyKeys } from '../../app/commands/early-keys'
import { KEEP_KEYS } from '../../app/commands/keep-keys'
import { useCommands } from '../../app/commands/use-commands'

// a key of before any script of the page had come
new Function(KEEP_KEYS)()
window.dispatchEvent(new KeyboardEvent('keydown', { key: 'b' }))
expectKeys()

it('a key pressed before the scripts have come acts with them, and keeping it has ended', () => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key: 'e' }))
  const early: string[] = []
  takeEarlyKeys((e) => (early.push(e.key), true))
  expect(early).toEqual(['b', 'e'])
  expect((window as { keysBefore?: KeyboardEvent[] } & Window).keysBefore).toHaveLength(1)
})

afterEach(() => void vi.useRealTimers())

const said = vi.fn()
const GROUPS: CommandGroup<string>[] = [
  {
    title: 'Words',
    commands: ['k', 'l'].map((key) => ({ key, name: key, run: (page) => void said(page, key) })),
  },
]
function Page({ name }: { name: string }) {
  useCommands(GROUPS, name)
  return (
    <>
      <h1>{name}</h1>
      <Link to="/second">second</Link>
      <input aria-label="field" />
    </>
  )
}

/** Two pages; the second is on its way until the test lets it come. */
async function pages() {
  let arrive = () => {}
  const Stub = createRoutesStub([
    {
      path: '/',
      Component: () => (
        <>
          <Outlet />
          <EarlyKeys />
        </>
      ),
      children: [
        { index: true, Component: () => <Link to="/second">second</Link> },
        {
          path: 'second',
          loader: () => new Promise<null>((resolve) => (arrive = () => resolve(null))),
          HydrateFallback: () => null,
          Component: () => <Page name="second" />,
        },
      ],
    },
  ])
  render(<Stub />)
  await screen.findByRole('link', { name: 'second' })
  return { arrive: () => act(async () => Promise.resolve(arrive())) }
}

it('a key pressed while a page is on its way acts when it is there, once', async () => {
  said.mockClear()
  const user = userEvent.setup()
  const { arrive } = await pages()
  await user.keyboard('l')
  await user.click(screen.getByRole('link', { name: 'second' }))
  await user.keyboard('kx')
  expect(said).not.toHaveBeenCalled()
  await arrive()
  await screen.findByRole('heading', { name: 'second' })
  expect(said.mock.calls).toEqual([['second', 'k']])
  await user.keyboard('k')
  expect(said).toHaveBeenCalledTimes(2)
})

it('what nothing answered to is forgotten soon after the page has come', async () => {
  said.mockClear()
  vi.useFakeTimers({ shouldAdvanceTime: true, toFake: ['setTimeout', 'clearTimeout'] })
  const user = userEvent.setup({ advanceTimers: (ms) => vi.advanceTimersByTime(ms) })
  const { arrive } = await pages()
  await user.click(screen.getByRole('link', { name: 'second' }))
  await user.keyboard('x')
  await arrive()
  const late = vi.fn((e: KeyboardEvent) => e.key === 'x')
  await act(() => vi.advanceTimersByTimeAsync(2_000))
  takeEarlyKeys(late)
  expect(late).not.toHaveBeenCalled()
})
