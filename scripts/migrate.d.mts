import type { Connection, ConnectionOptions } from 'mysql2/promise'

/** A connection to the first host of the address that answers. */
export function connect(url: string, options?: ConnectionOptions): Promise<Connection>
/** The number of the last migration that this Viga knows. */
export function latestMigration(): number
export function migrate(url: string): Promise<void>
