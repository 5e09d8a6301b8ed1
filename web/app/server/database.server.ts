import {
  createPool,
  type Pool,
  type PoolConnection,
  type ResultSetHeader,
  type RowDataPacket,
} from 'mysql2/promise'
import { data } from 'react-router'

/** Connections to each host of the database. */
const CONNECTIONS = 10
/** Time to get a connection when all are taken, ms. */
const REACH = 3_000
/** Time to reach a host where there are others, ms: shorter than the time to get a connection from it. */
const REACH_ONE_OF_SEVERAL = 1_000
/**
 * Time that a statement has in the database, s, and to arrive from it, ms: a database that is silent ends
 * too.
 */
const STATEMENT_S = 4
const ANSWER = 5_000
/** Time for which a host that was silent is not asked again, ms: others do not wait for it, too. */
const SILENCE = 2_000
/** Time to wait for a row that another one is changing, s. */
const ROW_S = 2

export type Value = string | number | null | Buffer

/** One pool a host. The first is asked until it cannot be reached, then the next. */
let pools: Pool[] = []
let current = 0
let silentUntil: number[] = []

/** The addresses of the hosts in a database address: `mysql://u:p@one:3306,two/viga` names two. */
export function hostsIn(url: string): string[] {
  const [, before, hosts, after] = /^([a-z]+:\/\/(?:[^/@]*@)?)([^/@]+)(\/.*)$/.exec(url) ?? []
  if (!hosts) throw new Error('DATABASE_URL is not the address of a database.')
  return hosts.split(',').map((host) => before.replace(/^mariadb:/, 'mysql:') + host.trim() + after)
}

export function openDatabase(url: string): void {
  const hosts = hostsIn(url)
  pools = hosts.map((uri) => {
    const pool = createPool({
      uri,
      connectionLimit: CONNECTIONS,
      idleTimeout: 60_000,
      queueLimit: 2_000,
      connectTimeout: hosts.length > 1 ? REACH_ONE_OF_SEVERAL : REACH,
      charset: 'utf8mb4',
      timezone: 'Z',
      enableKeepAlive: true,
      trace: false,
    })
    pool.pool.on('connection', (connection) => {
      connection.query(
        `SET SESSION max_statement_time = ${STATEMENT_S}, innodb_lock_wait_timeout = ${ROW_S}, ` +
          "sql_mode = 'STRICT_TRANS_TABLES,NO_ENGINE_SUBSTITUTION', time_zone = '+00:00'",
        () => {},
      )
      // what was written through another node of the cluster is seen here, by reads (1), by updates and
      // deletions (2) and by insertions (4): otherwise a save would take its own last one for another's
      if (hosts.length > 1) connection.query('SET SESSION wsrep_sync_wait = 7', () => {})
    })
    return pool
  })
  current = 0
  silentUntil = []
}

export async function closeDatabase(): Promise<void> {
  const open = pools
  pools = []
  await Promise.allSettled(open.map((pool) => pool.end()))
}

const opened = (): Pool[] => {
  if (pools.length === 0) {
    const url = process.env.DATABASE_URL
    if (!url) throw new Error('DATABASE_URL is not set; start Viga with npm start.')
    openDatabase(url)
  }
  return pools
}

/** The database, or the way to it, is gone: another host may answer, or the same one later. */
const LOST = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ENOTFOUND',
  'EAI_AGAIN',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_UNKNOWN_COM_ERROR', // a node of a cluster that has lost the others
])
/** These say that the statement was not carried out: it may be sent again whatever it changes. */
const UNSENT = new Set(['ECONNREFUSED', 'ER_UNKNOWN_COM_ERROR', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH'])
const UNREACHED = 'The database was not reached in time.'
const UNANSWERED = 'The database did not answer in time.'
/** Somebody else holds the row, or the statement took too long: the same may work shortly. */
const BUSY = new Set([
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_LOCK_DEADLOCK',
  'ER_STATEMENT_TIMEOUT',
  'ER_QUERY_TIMEOUT',
  'ER_CHECKREAD',
])

/** Errors of MariaDB that the driver has no name for, by their numbers. */
const UNNAMED: Readonly<Record<number, string>> = {
  1969: 'ER_STATEMENT_TIMEOUT', // ER_STATEMENT_TIMEOUT of MariaDB: the statement took longer than it may
  1180: 'ER_LOCK_DEADLOCK', // a commit that another node of the cluster came before
}

function codeOf(error: unknown): string {
  const { code, errno } = error as { code?: string; errno?: number }
  return UNNAMED[errno ?? 0] ?? code ?? ''
}
const isLost = (error: unknown) =>
  LOST.has(codeOf(error)) ||
  /closed state|Queue limit|not reached in time|not answer in time/.test((error as Error).message ?? '')

const later = (words: string) => data(words, { status: 503, headers: { 'Retry-After': '2' } })

async function connectionOf(pool: Pool): Promise<PoolConnection> {
  let late = false
  const asked = pool.getConnection()
  const timer = new Promise<never>((_, reject) => {
    const t = setTimeout(() => {
      late = true
      reject(new Error(UNREACHED))
    }, REACH)
    void asked.then(
      (connection) => {
        clearTimeout(t)
        if (late) connection.release()
      },
      () => clearTimeout(t),
    )
  })
  return Promise.race([asked, timer])
}

/** What the database answers; the driver's own limit does not hold while a statement is being prepared. */
async function answered<T>(asked: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(UNANSWERED)), ANSWER)
  })
  asked.catch(() => {}) // of a connection that is given up nobody waits for the end
  try {
    return await Promise.race([asked, late])
  } finally {
    clearTimeout(timer)
  }
}

/** Runs one statement on one host. A connection that failed in its way is not used again. */
async function runOn<T>(pool: Pool, sql: string, values: Value[]): Promise<T> {
  const connection = await connectionOf(pool)
  try {
    const [result] = await answered(connection.execute({ sql, values }))
    connection.release()
    return result as T
  } catch (error) {
    if (isLost(error)) connection.destroy()
    else connection.release()
    throw error
  }
}

/**
 * Runs one statement; a host that cannot be reached hands over to the next.
 * @param repeats whether the statement may run twice without harm when the answer to the first was lost
 * @throws a response of 503 when no host answers, or when others hold what it needs
 */
async function run<T>(sql: string, values: Value[], repeats: boolean): Promise<T> {
  const all = opened()
  for (let tried = 0; ; tried++) {
    const host = current % all.length
    try {
      if (Date.now() < (silentUntil[host] ?? 0)) throw new Error(UNREACHED)
      return await runOn<T>(all[host], sql, values)
    } catch (error) {
      if (BUSY.has(codeOf(error)))
        throw later('Somebody else is changing the same at this very moment. Please try again.')
      if (!isLost(error)) throw error
      const unsent = UNSENT.has(codeOf(error)) || (error as Error).message === UNREACHED
      const silent = [UNREACHED, UNANSWERED].includes((error as Error).message)
      if (silent && Date.now() >= (silentUntil[host] ?? 0)) silentUntil[host] = Date.now() + SILENCE
      // of several statements that fail on one host, the first moves on from it
      if (current % all.length === host) current = (host + 1) % all.length
      // a stale connection of a database that was started anew is worth one more try
      if (tried >= all.length - (silent ? 1 : 0) || !(repeats || unsent))
        throw later('The database cannot be reached just now. What was typed is kept in this browser.')
    }
  }
}

/** The one door to the database: a statement that reads, with placeholders, and its values. */
export const query = <Row extends RowDataPacket>(sql: string, values: Value[] = []): Promise<Row[]> =>
  run<Row[]>(sql, values, true)

/** Runs a statement that changes rows; returns how many it matched. */
export const change = async (sql: string, values: Value[] = []): Promise<number> =>
  (await run<ResultSetHeader>(sql, values, false)).affectedRows

/** Whether the database answers. */
export async function isReached(): Promise<boolean> {
  try {
    await query('SELECT 1')
    return true
  } catch {
    return false
  }
}

const turns = new Map<string, { last: Promise<unknown>; waiting: number }>()
/** Writes to one problem that wait at the same time. */
const MOST_WAITING = 16

/**
 * Does one thing at a time for each key: writes to one problem hold one connection between them, however many
 * come at once.
 * @throws a response of 503 when too many wait already
 */
export async function inTurn<T>(key: string, act: () => Promise<T>): Promise<T> {
  const turn = turns.get(key) ?? { last: Promise.resolve(), waiting: 0 }
  if (turn.waiting >= MOST_WAITING) throw later('This problem is being changed too fast. Please try again.')
  turn.waiting++
  turns.set(key, turn)
  const mine = turn.last.then(act, act)
  turn.last = mine
  try {
    return await mine
  } finally {
    if (--turn.waiting === 0) turns.delete(key)
  }
}
