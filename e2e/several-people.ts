import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, request as requests, type APIRequestContext } from '@playwright/test'
import { serve, type Served } from '../scripts/serve.mjs'

export const PASSWORD = 'seven brown otters'

/** A Viga of several people for the tests of one file: who sees what, and how one becomes somebody. */
export function severalPeople() {
  const outbox = mkdtempSync(join(tmpdir(), 'viga-outbox-'))
  let viga: Served
  let administrator: APIRequestContext

  /** A browser of its own. */
  const browser = (): Promise<APIRequestContext> =>
    requests.newContext({ baseURL: viga.address, extraHTTPHeaders: { Origin: viga.address } })

  /** Makes an account in a browser of its own. */
  async function account(email: string): Promise<APIRequestContext> {
    const who = await browser()
    const form = { intent: 'create', email, password: PASSWORD, name: email.split('@')[0] }
    expect((await send(who, '/sign-in', form)).status()).toBe(302)
    return who
  }

  /** The letters that were sent so far, in their order. */
  const letters = () =>
    readdirSync(outbox)
      .filter((name) => name.endsWith('.json'))
      .sort()
      .map(
        (name) =>
          JSON.parse(readFileSync(join(outbox, name), 'utf8')) as Record<'to' | 'subject' | 'text', string>,
      )

  return {
    letters,
    browser,
    account,
    get viga() {
      return viga
    },
    get administrator() {
      return administrator
    },
    async start() {
      viga = await serve({ PEOPLE: 'many', OUTBOX: outbox, LOG_LEVEL: 'info' })
      // the first account is the administrator's
      administrator = await account('warden@quince.example')
    },
    async stop() {
      await viga.stop()
      rmSync(outbox, { recursive: true, force: true })
    },
  }
}

export const send = (who: APIRequestContext, path: string, form: Record<string, string>) =>
  who.post(path, { form, maxRedirects: 0 })

/** Puts a problem on a person's shelf; returns its address. */
export async function put(who: APIRequestContext, title = 'A shared beam'): Promise<string> {
  const demo = readFileSync(join(import.meta.dirname, '../web/database/demo/02-fern-walk.viga.json'), 'utf8')
  const file = JSON.stringify({ ...(JSON.parse(demo) as object), title })
  const made = await who.post('/?index', { multipart: { intent: 'open', file }, maxRedirects: 0 })
  return made.headers().location.replace('/given', '')
}

export const documentOf = async (who: APIRequestContext, at: string) =>
  (await (await who.get(`${at}/newer?than=0`)).json()) as { revision: number; problem: { title: string } }

/** The address of the link that a problem is shared by. */
export const linkIn = async (who: APIRequestContext, at: string) =>
  /shared\/([\w-]{43})/.exec(await (await who.get(`${at}/sharing`)).text())![0]
