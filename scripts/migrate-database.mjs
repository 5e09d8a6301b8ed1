// Brings the database of DATABASE_URL up to date, for servers that a service manager starts.
import { migrate } from './migrate.mjs'
import { fail, say, whyNot } from './tools.mjs'

const address = process.env.DATABASE_URL
if (!address) fail('DATABASE_URL is not set')
try {
  await migrate(address)
  say('the database is up to date')
} catch (error) {
  fail(whyNot(error))
}
