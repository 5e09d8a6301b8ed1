// The server while Viga is being written: the pages come from their sources, and change as these do.
import { createServer } from 'vite'
import express from 'express'

const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom' })
const { readSettings } = await vite.ssrLoadModule('/server/settings.ts')
const { createLog } = await vite.ssrLoadModule('/server/log.ts')
const read = readSettings(process.env)
if (!read.ok) {
  for (const message of read.messages) console.error(`viga: ${message}`)
  process.exit(2)
}
const { settings } = read
const log = createLog(settings.LOG_LEVEL)
const app = express()
app.use(vite.middlewares)
app.use(async (request, response, next) => {
  try {
    const { createApp } = await vite.ssrLoadModule('/server/app.ts')
    const pages = await createApp({
      settings,
      log,
      files: 'public',
      isEnding: () => false,
      isBeingWritten: true,
    })
    pages(request, response, next)
  } catch (error) {
    vite.ssrFixStacktrace(error)
    next(error)
  }
})
app.listen(settings.PORT, settings.HOST, () =>
  console.log(`Viga is at http://${settings.HOST}:${settings.PORT}`),
)
process.stdin.on('end', () => process.exit(0)).resume()
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => process.exit(0))
