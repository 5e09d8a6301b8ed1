import type { ChildProcess } from 'node:child_process'

export interface Server {
  address: string
  pid: number
  process: ChildProcess
  /** What it has written to its log so far, line by line. */
  lines: string[]
  stop: () => Promise<void>
}
export function serve(settings?: Record<string, string>): Promise<Server & { databaseUrl: string }>
export function serveOn(databaseUrl: string, settings?: Record<string, string>): Promise<Server>
