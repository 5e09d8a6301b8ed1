import { describe, expect, it } from 'vitest'
import { chosenIn, schemeOf } from '../../app/theme/scheme'

const request = (headers: Record<string, string>) => schemeOf(new Headers(headers))

describe('light or dark', () => {
  it('follows the system until it is chosen', () => {
    expect(request({})).toBe('light')
    expect(request({ 'Sec-CH-Prefers-Color-Scheme': 'dark' })).toBe('dark')
    expect(request({ 'Sec-CH-Prefers-Color-Scheme': 'dark', Cookie: 'a=b; scheme=light' })).toBe('light')
    expect(request({ Cookie: 'scheme=dark; a=b' })).toBe('dark')
  })
  it('is no choice where the cookie says something else', () => {
    expect(chosenIn('colourscheme=dark')).toBeUndefined()
    expect(chosenIn('scheme=mauve')).toBeUndefined()
  })
})
