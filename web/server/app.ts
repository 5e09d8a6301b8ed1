import { join } from 'node:path'
import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express, {
  type ErrorRequestHandler,
  type Express,
  type NextFunction,
  type Request,
  type Response,
} from 'express'
import type { Logger } from 'pino'
import type { AppLoadContext, ServerBuild } from 'react-router'
import { boundedBodies } from './guards/bodies'
import { nonceOf, securityHeaders } from './guards/headers'
import { allowedHosts } from './guards/hosts'
import { knownMethods, sameOrigin } from './guards/origins'
import { boundedPersons, boundedRates } from './guards/rates'
import { alive, ready } from './health'
import { logRequests } from './log'
import type {} from '../app/server/context'
import { accessOf } from '../app/server/people/access.server'
import type { Settings } from './settings'

const YEAR = '365d'

/** Of the levels of compression the quickest: a page is a quarter longer, and is there sooner. */
const QUICK = 1

/** The answer to a write is a line or a few. */
const isLong = (request: Request, response: Response) =>
  request.method !== 'POST' && compression.filter(request, response)

export interface AppOptions {
  settings: Settings
  log: Logger
  /** Folders with files for the browser: `assets`, whose names tell their content, and others. */
  files: string
  /** Where assets of earlier builds are kept, for pages that were opened before this one. */
  earlierAssets?: string
  isEnding: () => boolean
  /** Viga is being written: what exchanges a page's parts as they change is let through. */
  isBeingWritten?: boolean
}

/** The server as one chain: who may ask, what is refused unread, files, then the pages. */
export async function createApp(options: AppOptions): Promise<Express> {
  const { settings, log, files, earlierAssets, isEnding, isBeingWritten = false } = options
  const app = express()
  app.disable('x-powered-by')
  app.set('trust proxy', settings.TRUSTED_PROXIES)
  app.set('query parser', 'simple')
  app.get('/health', alive)
  app.get('/ready', ready(isEnding))
  app.use(logRequests(log, settings.TRUSTED_PROXIES > 0))
  if (!isBeingWritten) app.use(securityHeaders())
  app.use(allowedHosts(settings))
  app.use(boundedRates(settings.REQUESTS_A_MINUTE))
  // at home there is one person, and nobody to be protected from
  if (settings.people === 'many') app.use(boundedPersons())
  app.use(knownMethods)
  app.use(sameOrigin)
  app.use(boundedBodies)
  app.use('/assets', compression()) // browsers keep these for good
  app.use(compression({ level: QUICK, filter: isLong }))
  const assets = { immutable: true, maxAge: YEAR, index: false, redirect: false } as const
  app.use('/assets', express.static(join(files, 'assets'), assets))
  if (earlierAssets) app.use('/assets', express.static(earlierAssets, assets))
  app.use('/assets', (_, response) => void response.status(404).type('text').send('There is no such file.'))
  app.use(express.static(files, { maxAge: '1h', index: false, redirect: false }))
  app.use(unkept)
  app.use(
    createRequestHandler({
      // given as a function, its routes would be worked out anew at each request
      build: isBeingWritten ? pages : await pages(),
      getLoadContext: async (request, response) => {
        const context: AppLoadContext = {
          nonce: nonceOf(response),
          log: request.log,
          access: await accessOf(
            request,
            response,
            settings.people === 'many',
            settings.hosts.length > 0 || settings.isLocal,
          ),
        }
        response.once('close', () => context.drawn?.())
        return context
      },
    }),
  )
  app.use(failed)
  return app
}

/** Everything that is made for a person: nothing on the way, and no next user of the browser, keeps it. */
const unkept = (_: Request, response: Response, next: NextFunction) => {
  response.setHeader('Cache-Control', 'no-store')
  next()
}

const pages = () => import('virtual:react-router/server-build') as unknown as Promise<ServerBuild>

/** What nothing else answered: a request that cannot be read is the asker's, anything else is ours. */
const failed: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error)
  const { status, init, data } = error as { status?: number; init?: { status?: number }; data?: unknown }
  const words = typeof data === 'string' ? data : undefined
  const stated = init?.status ?? status ?? 500
  if (stated >= 500 && !words) request.log?.error({ err: error }, 'failed')
  response
    .status(stated)
    .type('text')
    .send(words ?? (stated < 500 ? 'This request cannot be read.' : 'Something went wrong inside Viga.'))
}
