/** A database that runs on this machine: how it is reached, and how one stops using it. */
export interface Database {
  url: string
  stop: () => Promise<void>
}
export function startDatabase(folder: string, options?: { quiet?: boolean }): Promise<Database>
