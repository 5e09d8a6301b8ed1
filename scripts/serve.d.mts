import type { ChildProcess } from 'node:child_process'

export interface Server {
  address: string
  pid: number
  process: ChildProcess
  /** What it has written to its log so far, line by line. */
  lines: string[]
  stop: () => Promise<void>
}
export interface Served extends Server {
  databaseUrl: string
  databasePid: () => number
}
export function serve(settings?: Record<string, string>): Promise<Served>
export function serveOn(databaseUrl: string, settings?: Record<string, string>): Promise<Server>
