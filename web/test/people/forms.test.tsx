import { render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { createRoutesStub } from 'react-router'
import { describe, expect, it } from 'vitest'
import { Account, browserWords } from '../../app/people/Account'
import { Sharing } from '../../app/people/Sharing'
import { SignIn } from '../../app/people/SignIn'
import type { FormAnswer } from '../../app/people/EntryForm'

/** A page of people whose action notes what it is sent. */
function page(Component: () => React.ReactNode, answer: FormAnswer = { ok: true }) {
  const sent: Record<string, FormDataEntryValue>[] = []
  const Stub = createRoutesStub([
    {
      path: '/',
      Component,
      action: async ({ request }) => {
        sent.push(Object.fromEntries(await request.formData()))
        return answer
      },
    },
  ])
  render(<Stub initialEntries={['/']} />)
  return { sent, user: userEvent.setup() }
}
const part = (name: string) => within(screen.getByRole('region', { name }))

describe('signing in', () => {
  it('says what is missing before anything is sent', async () => {
    const { sent, user } = page(() => <SignIn elsewhere={null} />)
    const here = part('With an account')
    await user.type(here.getByLabelText(/E-mail address/), 'fern')
    await user.click(here.getByRole('button', { name: 'Sign in' }))
    expect(here.getByText('This is not an e-mail address.')).toBeTruthy()
    expect(here.getByText('The password is missing.')).toBeTruthy()
    expect(sent).toEqual([])
  })

  it('sends address and password, and shows what the server found at its field', async () => {
    const { sent, user } = page(() => <SignIn elsewhere={null} />, {
      ok: false,
      faults: { password: 'Address and password do not belong together.' },
    })
    const here = part('With an account')
    await user.type(here.getByLabelText(/E-mail address/), 'fern@quince.test')
    await user.type(here.getByLabelText(/Password/), 'a long password')
    await user.click(here.getByRole('button', { name: 'Sign in' }))
    expect(await here.findByText('Address and password do not belong together.')).toBeTruthy()
    expect(sent).toEqual([{ intent: 'sign-in', email: 'fern@quince.test', password: 'a long password' }])
  })

  it('fields take what is pasted and what a password manager knows', async () => {
    const { user } = page(() => <SignIn elsewhere={null} />)
    const known = part('With an account').getByLabelText<HTMLInputElement>(/Password/)
    expect(known.autocomplete).toBe('current-password')
    expect(part('A new account').getByLabelText<HTMLInputElement>(/Password/).autocomplete).toBe(
      'new-password',
    )
    await user.click(known)
    await user.paste('a long password')
    expect(known.value).toBe('a long password')
  })

  it('asks for a link where the password is forgotten, and goes back', async () => {
    const { sent, user } = page(() => <SignIn elsewhere={null} />, {
      ok: true,
      said: 'A letter is on its way.',
    })
    const here = part('With an account')
    await user.click(here.getByRole('button', { name: 'Password forgotten' }))
    await user.type(here.getByLabelText(/E-mail address/), 'fern@quince.test')
    await user.click(here.getByRole('button', { name: 'Send a link' }))
    expect((await here.findByRole('status')).textContent).toBe('A letter is on its way.')
    expect(sent).toEqual([{ intent: 'forgot', email: 'fern@quince.test' }])
    await user.click(here.getByRole('button', { name: 'Back' }))
    expect(here.getByRole('button', { name: 'Sign in' })).toBeTruthy()
  })

  it('offers another way in only where there is one', () => {
    page(() => <SignIn elsewhere="Sign in with Quince Hill College" />)
    expect(screen.getByRole('link', { name: 'Sign in with Quince Hill College' })).toBeTruthy()
  })
})

describe('an account', () => {
  const person = { id: 'p', name: 'Fern', email: 'fern@quince.test', role: 'author' as const }
  const sessions = [
    { id: 's1', browser: 'Mozilla/5.0 (X11; Linux) Firefox/128.0', seenAt: '2026-10-01T10:00:00Z' },
    { id: 's2', browser: 'Mozilla/5.0 (iPhone) Safari/605.1', seenAt: '2026-10-02T10:00:00Z' },
  ]
  const account = () =>
    page(() => <Account person={person as never} session="s1" sessions={sessions as never} />)

  it('lists where one is signed in, and ends another browser’s session', async () => {
    const { sent, user } = account()
    expect(screen.getByText(/Firefox on Linux/).textContent).toContain('(this browser)')
    await user.click(screen.getByRole('button', { name: 'Sign out there' }))
    await user.click(screen.getByRole('button', { name: 'Sign out everywhere else' }))
    expect(sent).toEqual([{ intent: 'end-session', id: 's2' }, { intent: 'end-others' }])
  })

  it('is deleted only after it was asked for twice, with the password', async () => {
    const { sent, user } = account()
    await user.click(screen.getByRole('button', { name: 'Delete the account …' }))
    await user.click(screen.getByRole('button', { name: 'Cancel' }))
    expect(screen.queryByRole('button', { name: /Delete the account and all/ })).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Delete the account …' }))
    await user.type(screen.getByLabelText(/Your password/), 'a long password')
    await user.click(screen.getByRole('button', { name: /Delete the account and all/ }))
    expect(sent).toEqual([{ intent: 'delete', password: 'a long password' }])
  })

  it('names a browser by what it says of itself', () => {
    expect(browserWords('Mozilla/5.0 (Windows NT 10.0) Chrome/126.0 Safari/537.36 Edg/126.0')).toBe(
      'Edge on Windows',
    )
    expect(browserWords('something else')).toBe('another program')
  })
})

describe('sharing', () => {
  const shared: Parameters<typeof Sharing>[0] = {
    id: 'p1',
    title: 'Palm house',
    origin: 'http://viga.test',
    links: [{ id: 'l1', token: 'abc', gives: 'read' }],
    people: [{ id: 'q1', name: 'Reed', email: 'reed@quince.test', mayWrite: true, byLink: false }],
  }

  it('shows the links and the people, each with what it gives, and ends them', async () => {
    const { sent, user } = page(() => <Sharing {...shared} />)
    expect(screen.getByText(/http:\/\/viga\.test\/shared\/abc/)).toBeTruthy()
    expect(screen.getByText('reads and changes')).toBeTruthy()
    const [link, reed] = screen.getAllByRole('button', { name: 'End it' })
    await user.click(link)
    await user.click(reed)
    await user.click(screen.getByRole('button', { name: 'A link for copies' }))
    expect(sent).toEqual([{ intent: 'end', id: 'l1' }, { intent: 'end', id: 'q1' }, { intent: 'link-copy' }])
  })

  it('with a person says at once what is no address', async () => {
    const { sent, user } = page(() => <Sharing {...shared} />)
    await user.type(screen.getByLabelText(/E-mail address of the account/), 'reed')
    await user.click(screen.getByRole('button', { name: 'Share' }))
    expect(screen.getByText('This is not an e-mail address.')).toBeTruthy()
    expect(sent).toEqual([])
  })
})
