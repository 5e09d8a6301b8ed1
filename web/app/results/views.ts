/** The views of the Results in their order, by the last part of their address. */
export const RESULT_VIEWS = [
  { key: 'overview', label: 'Overview' },
  { key: 'member', label: 'Member' },
  { key: 'tables', label: 'Tables' },
  { key: 'letters', label: 'Letters' },
  { key: 'envelope', label: 'Envelope' },
  { key: 'free-body', label: 'Free body' },
  { key: 'stress', label: 'Stress' },
  { key: 'compare', label: 'Compare' },
  { key: 'buckling', label: 'Buckling' },
  { key: 'growth', label: 'Load sweep' },
  { key: 'influence', label: 'Influence' },
  { key: 'export', label: 'Export' },
] as const

export type ResultViewKey = (typeof RESULT_VIEWS)[number]['key']

/** The view that an address asks for; the overview where it names none. */
export const viewOf = (name: string | undefined): ResultViewKey =>
  RESULT_VIEWS.find((v) => v.key === name)?.key ?? 'overview'
