/** A name for files from the title of a problem: letters and digits joined by hyphens, at most 80 of them. */
export const fileName = (title: string): string =>
  title
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase()
    .slice(0, 80) || 'problem'
