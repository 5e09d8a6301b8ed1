import type { Ink } from './marks'

/** Ink on white paper; every colour is also told apart by line or letter, for grey printers. */
export const PAPER_INKS: Readonly<Record<Ink, string>> = {
  ink: '#1e2a36',
  'ink-2': '#4c5864',
  'ink-3': '#666e76',
  hair: '#d5cdbf',
  'hair-2': '#a89d8a',
  sheet: '#ffffff',
  paper: '#ffffff',
  cedar: '#9a5b2e',
  'cedar-tint': '#f1e0cc',
  'cedar-deep': '#73411c',
  load: '#37368a',
  reaction: '#546a1c',
  tension: '#0f766e',
  compression: '#8a2f5c',
  held: '#8d8677',
  'held-hatch': '#d8d0c2',
  pencil: '#ae3527',
}

/** The inks of a page, by the names its style sheet knows them by: light and dark come from there. */
export const PAGE_INKS = Object.fromEntries(
  Object.keys(PAPER_INKS).map((name) => [name, `var(--${name})`]),
) as Record<Ink, string>
