/** What a number of the working is addressed by: its kind, and which of that kind. */
export interface NumberAddress {
  kind: string
  parts: string[]
}

/** The text of an address, by which numbers are kept and asked for; `readAddress` alone reads it. */
export const addressOf = (...parts: (string | number)[]): string =>
  parts.map((p) => encodeURIComponent(String(p))).join('/')

/** The address of a text; a part that is not well coded stands as it is, and then names nothing. */
export function readAddress(text: string): NumberAddress {
  const [kind, ...parts] = text.split('/').map(decoded)
  return { kind, parts }
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}
