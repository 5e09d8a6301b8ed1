import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Input } from './compute/jobs'
import type { FileOut } from './file-response.server'

/** What is made of a document as a file. */
export type MadeJob = 'file' | 'working' | 'figure' | 'results' | 'marked'

/** What is asked for besides the document, as the job has it. */
export type Asked<K extends MadeJob> = Omit<Input<K>, 'document'>

/**
 * The name by which a file is kept: the document word for word, and all that was asked for. So a copy of an
 * example has the file of the example, and a statement that an undo brings back has its own again.
 */
export const keyOf = <K extends MadeJob>(document: string, job: K, asked: Asked<K>): string =>
  JSON.stringify([createHash('sha256').update(document).digest('base64'), job, asked])

/** A file, and the keys that it is asked for by. */
export interface Made {
  keys: string[]
  out: FileOut
}

/** A file that was made with the build: what it is called in its folder and as a download, and its type. */
interface Entry {
  file: string
  type: string
  name: string
}

const INDEX = 'index.json'
let folder = ''
let entries: Record<string, Entry> = {}

const short = (key: string) => createHash('sha256').update(key).digest('hex')

/** Files of this folder are given out instead of being made; a build without them makes each when asked. */
export function useMadeBefore(from: string): void {
  folder = from
  try {
    entries = JSON.parse(readFileSync(join(from, INDEX), 'utf8')) as Record<string, Entry>
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
    entries = {}
  }
}

/** Whether the file of this key was made with the build. */
export const isMadeBefore = (key: string): boolean => Object.hasOwn(entries, short(key))

/** The file of this key, where it was made with the build. */
export async function madeBefore(key: string): Promise<FileOut | undefined> {
  if (!isMadeBefore(key)) return undefined
  const { file, type, name } = entries[short(key)]
  return { body: await readFile(join(folder, file)), type, name }
}

/** Puts files into a folder, each under all its keys. */
export async function keepMade(to: string, made: readonly Made[]): Promise<void> {
  const index: Record<string, Entry> = {}
  for (const { keys, out } of made) {
    if ('message' in out) continue // an example that is not solved says why when it is asked for
    const file = short(keys[0])
    await writeFile(join(to, file), out.body)
    for (const key of keys) index[short(key)] = { file, type: out.type, name: out.name }
  }
  // whole or not at all: a build may be ended at any moment
  await writeFile(join(to, `${INDEX}.new`), JSON.stringify(index))
  await rename(join(to, `${INDEX}.new`), join(to, INDEX))
}
