import type { TextMark } from './marks'

/** The value of a load beside its arrow. */
export function loadLabel(text: string, more: Partial<TextMark> = {}): Omit<TextMark, 'x' | 'y'> {
  return { t: 'text', text, size: 12.5, weight: 500, fill: 'load', halo: true, ...more }
}
