import { ThemeProvider } from '@mui/material/styles'
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteLoaderData } from 'react-router'
import type { Route } from './+types/root'
import { schemeOf } from './server/scheme.server'
import './theme/fonts'
import './theme/tokens.css'
import './theme/base.css'
import { theme } from './theme/theme'

export function loader({ request }: Route.LoaderArgs) {
  return { scheme: schemeOf(request) }
}

export function Layout({ children }: { children: React.ReactNode }) {
  const scheme = useRouteLoaderData<typeof loader>('root')?.scheme ?? 'light'
  return (
    <html lang="en" data-scheme={scheme}>
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

export default function Root() {
  return (
    <ThemeProvider theme={theme}>
      <Outlet />
    </ThemeProvider>
  )
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const [title, text] = isRouteErrorResponse(error)
    ? error.status === 404
      ? ['Nothing stands here', typeof error.data === 'string' && error.data ? error.data : 'This address belongs to no problem. It may have been taken off the Shelf.']
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
