import { randomUUID } from 'node:crypto'
import { mkdir, readdir, readFile, rename, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { createTransport } from 'nodemailer'

export interface Letter {
  to: string
  subject: string
  text: string
}

const FROM = () => process.env.MAIL_FROM || 'Viga <viga@localhost>'

/** Letters that no mail server takes are put here, one file each; the administrator reads them on a page. */
const outbox = () => process.env.OUTBOX || '.viga-outbox'

/** Sends a letter: by the mail server of `SMTP_URL`, else into the outbox. */
export async function sendLetter(letter: Letter): Promise<void> {
  const smtp = process.env.SMTP_URL
  if (smtp) {
    await createTransport(smtp).sendMail({ from: FROM(), ...letter })
    return
  }
  const folder = outbox()
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const made = createTransport({ streamTransport: true, buffer: true })
  const { message } = await made.sendMail({ from: FROM(), ...letter })
  const name = `${new Date().toISOString().replace(/[:.]/g, '-')}-${randomUUID().slice(0, 8)}.eml`
  const file = join(folder, name)
  await writeFile(`${file}.part`, message, { mode: 0o600 })
  await rename(`${file}.part`, file)
  const beside = { ...letter, at: new Date().toISOString() }
  await writeFile(file.replace(/eml$/, 'json'), JSON.stringify(beside), { mode: 0o600 })
}

export type OutboxLetter = Letter & { at: string }

/** The last letters in the outbox, the newest first. */
export async function outboxLetters(most = 50): Promise<OutboxLetter[]> {
  const folder = outbox()
  if (!(await stat(folder).catch(() => undefined))) return []
  const names = (await readdir(folder))
    .filter((n) => n.endsWith('.json'))
    .sort()
    .reverse()
  return Promise.all(
    names
      .slice(0, most)
      .map(async (n) => JSON.parse(await readFile(join(folder, n), 'utf8')) as OutboxLetter),
  )
}
