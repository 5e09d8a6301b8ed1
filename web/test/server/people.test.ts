import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Request as Asked, Response as Answered } from 'express'
import { beforeAll, expect, inject, it } from 'vitest'
import { newProblem } from '@viga/core'
import { written } from '../../app/server/compute/jobs'
import { change, hostsIn, inTurn, query } from '../../app/server/database.server'
import { tidyUp } from '../../app/server/housekeeping.server'
import { accessOf } from '../../app/server/people/access.server'
import { becomeAccount, resetPassword, sendReset } from '../../app/server/people/accounts.server'
import { outboxLetters } from '../../app/server/people/mail.server'
import { HOUSE, type Person } from '../../app/server/people/person'
import { endOtherSessions, sessionOf, sessionsOf } from '../../app/server/people/sessions.server'
import { followLink, linkOf, makeLink, sharingOf } from '../../app/server/people/sharing.server'
import { mayTry } from '../../app/server/people/tries.server'
import { insertProblem, saveProblem, textById } from '../../app/server/problems.server'
import { saveRequest } from '../../app/server/save.server'
import { shelfPage } from '../../app/server/shelf.server'
import { problemById } from './stored'

beforeAll(() => {
  process.env.DATABASE_URL = inject('databaseUrl')
})

/** A browser that keeps its cookie from one request to the next. */
function browser(namesAreKnown = true) {
  let cookie: string | undefined
  let cookiesSet = 0
  return {
    get cookiesSet() {
      return cookiesSet
    },
    get secret() {
      return cookie
    },
    access: () =>
      accessOf(
        {
          headers: { cookie: cookie && `scheme=dark; viga=${cookie}` },
          get: () => 'a browser',
          secure: true,
          protocol: 'https',
          host: 'viga.quince.example',
          ip: '192.0.2.1',
        } as unknown as Asked,
        {
          locals: {},
          cookie: (_: string, value: string) => {
            cookie = value
            cookiesSet++
          },
          clearCookie: () => void (cookie = undefined),
        } as unknown as Answered,
        true,
        namesAreKnown,
      ),
  }
}

/** Somebody with a shelf of their own. */
async function somebody(): Promise<{ person: Person; secret: string }> {
  const one = browser()
  const person = await (await one.access()).begin()
  return { person, secret: one.secret! }
}

it('a browser is nobody until it does something, then the same person with each request', async () => {
  const one = browser()
  expect((await one.access()).person).toBeNull()
  const begun = await one.access()
  const person = await begun.begin()
  expect(await begun.begin()).toBe(person)
  expect((await one.access()).person).toMatchObject({ id: person.id, account: false, role: 'author' })
  await (await one.access()).signOut()
  expect((await one.access()).person).toBeNull()
})

it('a session ends when it is not used, and with the others when it is told to', async () => {
  const { person, secret } = await somebody()
  expect((await sessionOf(secret))?.person.id).toBe(person.id)
  await change('UPDATE sessions SET seen_at = NOW(3) - INTERVAL 61 DAY WHERE person = ?', [person.id])
  expect(await sessionOf(secret)).toBeUndefined()
  await tidyUp()
  expect(await sessionsOf(person.id)).toEqual([])
  const other = await somebody()
  await endOtherSessions(other.person.id, null)
  expect(await sessionOf(other.secret)).toBeUndefined()
})

it('the key to a shelf lasts as long as the shelf is used', async () => {
  const one = browser()
  const { id } = await (await one.access()).begin()
  expect(one.cookiesSet).toBe(1)
  await one.access()
  expect(one.cookiesSet).toBe(1)
  const key = one.secret
  await change('UPDATE sessions SET seen_at = NOW(3) - INTERVAL 59 DAY WHERE person = ?', [id])
  expect((await one.access()).person?.id).toBe(id)
  expect([one.cookiesSet, one.secret]).toEqual([2, key])
})

it('a link changes nothing until it is followed, and what it gave goes along into an account', async () => {
  const { person: owner } = await somebody()
  const problem = await insertProblem(owner)
  expect(await makeLink(owner, problem, 'read')).toEqual({ ok: true })
  const token = (await sharingOf(owner, problem))!.links[0].token
  expect(await linkOf(token)).toMatchObject({ problem, gives: 'read' })
  expect((await sharingOf(owner, problem))!.people).toEqual([])
  const guest = browser()
  const access = await guest.access()
  expect(await followLink(access, token)).toBe(problem)
  const reader = access.person!
  expect(await textById(reader, problem)).toMatchObject({ id: problem, mayWrite: false })
  const account = randomUUID()
  await change('INSERT INTO people (id, email) VALUES (?, ?)', [account, `${account}@quince.example`])
  await becomeAccount(await guest.access(), account)
  const now = (await guest.access()).person!
  expect(now.id).toBe(account)
  expect(await textById(now, problem)).toMatchObject({ id: problem })
})

it('a letter leads to the name of the server only where that name is one of its own', async () => {
  expect((await browser().access()).letterOrigin).toBe('https://viga.quince.example')
  expect((await browser(false).access()).letterOrigin).toBeNull()
})

it('a link for a new password is good for an hour, and only its digest is kept', async () => {
  process.env.OUTBOX = mkdtempSync(join(tmpdir(), 'viga-outbox-'))
  const { person } = await somebody()
  const email = `${person.id}@quince.example`
  await change('UPDATE people SET email = ? WHERE id = ?', [email, person.id])
  const access = await browser().access()
  const linkSent = async () => {
    expect(await sendReset(access, email)).toEqual({ ok: true })
    return /new-password\/([\w-]{43})/.exec((await outboxLetters(1))[0].text)![1]
  }
  const late = await linkSent()
  const kept = await query('SELECT token FROM letters WHERE person = ?', [person.id])
  expect(JSON.stringify(kept)).not.toContain(late)
  await change('UPDATE letters SET created_at = NOW(3) - INTERVAL 61 MINUTE WHERE person = ?', [person.id])
  expect((await resetPassword(access, late, 'seven brown otters')).ok).toBe(false)
  const inTime = await linkSent()
  await change('UPDATE letters SET created_at = NOW(3) - INTERVAL 59 MINUTE WHERE person = ?', [person.id])
  expect(await resetPassword(access, inTime, 'seven brown otters')).toEqual({ ok: true })
  rmSync(process.env.OUTBOX, { recursive: true })
})

it('a copy that the browser names is made once, however often it is sent', async () => {
  const { person: owner } = await somebody()
  const { person } = await somebody()
  const example = await insertProblem(owner)
  const reads = (who: Person) =>
    change('INSERT INTO shares (id, problem, person) VALUES (?, ?, ?)', [randomUUID(), example, who.id])
  await reads(person)
  const copy = randomUUID()
  const send = (title: string) =>
    saveRequest(
      person,
      () => Promise.resolve(person),
      example,
      new Request('http://viga/', {
        method: 'POST',
        body: JSON.stringify({ revision: 1, copy, document: { ...newProblem(), title } }),
      }),
    )
  expect(await send('one')).toEqual({ status: 200, body: { revision: 1, copied: copy } })
  expect(await send('two')).toEqual({ status: 200, body: { revision: 2, copied: copy } })
  expect(await textById(person, copy)).toMatchObject({ title: 'two', revision: 2 })
  // a name that is another's gives a copy under a name of its own
  const { person: third } = await somebody()
  await reads(third)
  const other = await saveRequest(
    third,
    () => Promise.resolve(third),
    example,
    new Request('http://viga/', {
      method: 'POST',
      body: JSON.stringify({ revision: 1, copy, document: newProblem() }),
    }),
  )
  expect(other).toMatchObject({ status: 200, body: { revision: 1 } })
  expect((other as { body: { copied: string } }).body.copied).not.toBe(copy)
})

it('a shelf that no browser has the key to and nothing is on ends; one with a problem stays', async () => {
  const [empty, full] = [await somebody(), await somebody()]
  await insertProblem(full.person, written(newProblem('stays')))
  for (const { person } of [empty, full]) {
    await change('UPDATE people SET created_at = NOW(3) - INTERVAL 2 DAY WHERE id = ?', [person.id])
    await endOtherSessions(person.id, null)
  }
  await tidyUp()
  const left = await query('SELECT id FROM people WHERE id IN (?, ?)', [empty.person.id, full.person.id])
  expect(left.map((row) => (row as { id: string }).id)).toEqual([full.person.id])
})

it('a problem is its owner’s alone; what is the house’s is read by all, changed by none', async () => {
  const [mine, other] = [(await somebody()).person, (await somebody()).person]
  const id = await insertProblem(mine, written(newProblem('mine')))
  expect((await problemById(mine, id))?.mayWrite).toBe(true)
  expect(await problemById(other, id)).toBeUndefined()
  expect(await problemById(null, id)).toBeUndefined()
  expect((await saveProblem(other, id, 1, written(newProblem('theirs')))).saved).toBe(false)
  const houses = await insertProblem({ ...mine, id: HOUSE }, written(newProblem('of the house')))
  expect((await problemById(null, houses))?.mayWrite).toBe(false)
  expect((await saveProblem(mine, houses, 1, written(newProblem('changed')))).saved).toBe(false)
  expect((await problemById({ ...mine, role: 'administrator' }, houses))?.mayWrite).toBe(true)
  const whose = async (person: Person | null, title: string) =>
    (await shelfPage(person, { find: title })).cards.find((c) => c.title === title)?.whose
  expect(await whose(mine, 'mine')).toBe('own')
  expect(await whose(other, 'mine')).toBeUndefined()
  expect(await whose(other, 'of the house')).toBe('house')
  // the shelf of the house is that of other tests, too
  await change('DELETE FROM problems WHERE id = ?', [houses])
})

it('tries are counted, and forgotten after their time', async () => {
  const may = () => mayTry('a lock', 2, 600)
  expect([await may(), await may(), await may()]).toEqual([true, true, false])
  await change('UPDATE tries SET until = NOW(3) - INTERVAL 1 SECOND')
  expect(await may()).toBe(true)
})

it('writes to one problem take turns, and too many at once are asked to come again', async () => {
  const order: number[] = []
  const all = await Promise.allSettled(
    Array.from({ length: 20 }, (_, i) =>
      inTurn('one', async () => {
        await Promise.resolve()
        order.push(i)
      }),
    ),
  )
  expect(order).toEqual([...order].sort((a, b) => a - b))
  expect(all.filter((r) => r.status === 'rejected')).toHaveLength(20 - order.length)
  expect(order.length).toBe(16)
})

it('a database address may name several hosts', () => {
  expect(hostsIn('mysql://u:p@one:3306,two/viga?ssl=1')).toEqual([
    'mysql://u:p@one:3306/viga?ssl=1',
    'mysql://u:p@two/viga?ssl=1',
  ])
  expect(() => hostsIn('nowhere')).toThrow()
})
