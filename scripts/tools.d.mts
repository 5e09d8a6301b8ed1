import type { ChildProcess } from 'node:child_process'

export const root: string
export function whyNot(error: Error): string
export function whyNoDatabase(folder: string, said: string): string
export function isFree(port: number, host?: string): Promise<boolean>
export function freePort(): Promise<number>
export function isAlive(pid: number | undefined): boolean
export function commandOf(pid: number | undefined): string
export function endProcess(child: ChildProcess, patience?: number): Promise<void>
export function missingPackages(
  lock: { packages?: Record<string, { optional?: boolean; devOptional?: boolean; link?: boolean }> },
  isThere: (folder: string) => boolean,
): string[]
export function newest(...paths: string[]): number
