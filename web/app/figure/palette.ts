import type { Palette } from '@viga/drawing/canvas'

/** The colours and typefaces in force at an element of the page. Each colour is read from the style once. */
export function palette(element: Element): Palette {
  const style = getComputedStyle(element)
  const known = new Map<string, string>()
  const read = (name: string) => {
    let value = known.get(name)
    if (value === undefined) known.set(name, (value = style.getPropertyValue(`--${name}`).trim()))
    return value
  }
  return { ink: read, serif: read('serif'), sans: read('sans') }
}
