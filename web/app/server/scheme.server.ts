import { createCookie } from 'react-router'

export type Scheme = 'light' | 'dark'

const cookie = createCookie('scheme', { path: '/', maxAge: 60 * 60 * 24 * 365, sameSite: 'lax', httpOnly: true })

/** The colours a person chose; light when nothing was chosen. */
export async function schemeOf(request: Request): Promise<Scheme> {
  return (await cookie.parse(request.headers.get('Cookie'))) === 'dark' ? 'dark' : 'light'
}

export const keepScheme = (scheme: Scheme): Promise<string> => cookie.serialize(scheme)
