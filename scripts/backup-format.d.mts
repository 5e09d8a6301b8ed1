import type { Connection } from 'mysql2/promise'

export const TABLES: readonly string[]
export const SESSION: { charset: string; dateStrings: boolean; timezone: string; supportBigNumbers: boolean }
export function writeBackup(db: Connection, file: string): Promise<number>
export function readBackup(db: Connection, file: string, known: number): Promise<number>
