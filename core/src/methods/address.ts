/** The address of a number: what it is, then which. */
export const addressOf = (...parts: (string | number)[]): string =>
  parts.map((p) => encodeURIComponent(String(p))).join('/')
