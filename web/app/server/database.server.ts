import { createPool, type Pool, type ResultSetHeader, type RowDataPacket } from 'mysql2/promise'

let pool: Pool | undefined

function open(): Pool {
  const uri = process.env.DATABASE_URL
  if (!uri) throw new Error('DATABASE_URL is not set; start Viga with npm start.')
  return createPool({ uri, connectionLimit: 8, charset: 'utf8mb4', timezone: 'Z', dateStrings: false })
}

/** The one door to the database: a statement with placeholders and its values. */
export async function query<Row extends RowDataPacket>(
  sql: string,
  values: (string | number | null)[] = [],
): Promise<Row[]> {
  const [rows] = await (pool ??= open()).execute<Row[]>(sql, values)
  return rows
}

/** Runs a statement that changes rows; returns how many it matched. */
export async function change(sql: string, values: (string | number | null)[] = []): Promise<number> {
  const [result] = await (pool ??= open()).execute<ResultSetHeader>(sql, values)
  return result.affectedRows
}
