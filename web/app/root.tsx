import { StyledEngineProvider, ThemeProvider } from '@mui/material/styles'
import { useEffect } from 'react'
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router'
import type { Route } from './+types/root'
import { EarlyKeys, expectKeys } from './commands/early-keys'
import { DropTarget } from './shelf/DropTarget'
import { FIRST_FONTS } from './theme/fonts'
import './theme/tokens.css'
import './theme/base.css'
import { schemeOf, useChosenScheme } from './theme/scheme'
import { theme } from './theme/theme'

if (!import.meta.env.SSR) expectKeys()

export function loader({ request, context }: Route.LoaderArgs) {
  const { many, person } = context.access
  return {
    scheme: schemeOf(request.headers),
    // one person at home is asked for nothing
    who: many
      ? { account: person?.account ?? false, name: person?.name || person?.email || 'Your account' }
      : null,
  }
}

// the cookie is read once: the page itself changes the colours from then on, and moving about asks the server
// nothing
export const shouldRevalidate = () => false

export function Layout({ children }: { children: React.ReactNode }) {
  const scheme = useChosenScheme()
  return (
    // the server may not know the colours of the system
    <html lang="en" data-scheme={scheme} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/favicon.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  )
}

export const meta: Route.MetaFunction = () => [{ title: 'Viga' }]
export const links: Route.LinksFunction = () => FIRST_FONTS

/**
 * The cookie says which colours; without these, which its types leave out, the library writes its own choice
 * over it.
 */
const COLOURS_ARE_OURS = { colorSchemeNode: null, storageManager: null }

export default function Root() {
  useEffect(() => {
    // the page answers to keys and clicks from here on; the browser tests wait for it
    document.body.setAttribute('data-live', '')
  }, [])
  return (
    <StyledEngineProvider enableCssLayer>
      <ThemeProvider theme={theme} {...COLOURS_ARE_OURS}>
        <Outlet />
        <EarlyKeys />
        <DropTarget />
      </ThemeProvider>
    </StyledEngineProvider>
  )
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const [title, text] = isRouteErrorResponse(error)
    ? error.status === 404
      ? [
          'Nothing stands here',
          typeof error.data === 'string' && error.data
            ? error.data
            : 'This address belongs to no problem. It may have been deleted.',
        ]
      : ['This did not work', String(error.data || error.statusText)]
    : ['This did not work', 'Something went wrong inside Viga. What was typed is kept in this browser.']
  return (
    <main style={{ maxWidth: 480, margin: '18vh auto', padding: 32 }}>
      <h1 className="serif" style={{ font: '500 24px/32px var(--serif)' }}>
        {title}
      </h1>
      <p style={{ margin: '8px 0 20px', color: 'var(--ink-2)' }}>{text}</p>
      <a href="/" style={{ color: 'var(--cedar-deep)', borderBottom: '1px solid var(--cedar)' }}>
        To the Shelf
      </a>
    </main>
  )
}
