import type { RequestHandler } from 'express'
import { isReached } from '../app/server/database.server'

/** The process answers. */
export const alive: RequestHandler = (_, response) => void response.type('text').send('alive')

/** It can serve: the database answers, and the server is not about to end. */
export const ready =
  (isEnding: () => boolean): RequestHandler =>
  async (_, response) => {
    if (isEnding()) response.status(503).type('text').send('ending')
    else if (await isReached()) response.type('text').send('ready')
    else response.status(503).type('text').send('The database cannot be reached.')
  }
