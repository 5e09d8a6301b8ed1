import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { renderToPipeableStream } from 'react-dom/server'
import { isRouteErrorResponse, ServerRouter } from 'react-router'
import type { AppLoadContext, EntryContext, HandleErrorFunction } from 'react-router'
import { KEEP_KEYS } from './commands/keep-keys'
import { InFlushes } from './server/in-flushes.server'

/** Time that parts of a page which are still being made have, ms. */
export const streamTimeout = 5_000

/** Renders a page. Its scripts carry the nonce of the answer; no other script runs on it. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  router: EntryContext,
  context: AppLoadContext,
): Promise<Response> | Response {
  const { nonce, log } = context
  headers.set('Content-Type', 'text/html; charset=utf-8')
  // what a page shows may be one person's own
  if (request.method === 'HEAD') return new Response(null, { status, headers })
  return new Promise((resolve, reject) => {
    let started = false
    const whole = isbot(request.headers.get('User-Agent'))
    const send = () => {
      started = true
      const body = new InFlushes()
      body.on('close', () => clearTimeout(timer))
      resolve(new Response(createReadableStreamFromReadable(body), { status, headers }))
      pipe(body)
    }
    const { pipe, abort } = renderToPipeableStream(
      <ServerRouter context={router} url={request.url} nonce={nonce} />,
      {
        nonce,
        bootstrapScriptContent: KEEP_KEYS,
        onShellReady: () => !whole && send(),
        onAllReady: () => {
          context.drawn?.()
          if (whole) send()
        },
        onShellError: reject,
        onError: (error) => {
          if (started && !request.signal.aborted) log.error({ err: error }, 'a part of a page failed')
        },
      },
    )
    const timer = setTimeout(abort, streamTimeout + 1000)
    request.signal.addEventListener('abort', () => abort(), { once: true })
  })
}

/** What a loader or an action did not expect. Refusals are answers, and a request given up is no error. */
export const handleError: HandleErrorFunction = (error, { request, context }) => {
  if (request.signal.aborted || isRouteErrorResponse(error)) return
  ;(context as AppLoadContext | undefined)?.log?.error({ err: error }, 'a page failed')
}
