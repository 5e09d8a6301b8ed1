export type Scheme = 'light' | 'dark'

/** The colours a person chose, from the cookie their browser keeps (widgets/scheme.ts); light when nothing was chosen. */
export const schemeOf = (request: Request): Scheme => (/(?:^|;\s*)scheme=dark(?:;|$)/.test(request.headers.get('Cookie') ?? '') ? 'dark' : 'light')
