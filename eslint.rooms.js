/**
 * The rooms of each workspace and what each may import besides itself, as docs/architecture.md draws them.
 * Types may be imported from anywhere within a workspace, since they are gone at run time. Every folder has a
 * line here: a test fails without it.
 */
export const CORE = {
  quantity: [],
  document: ['quantity', 'kinds'],
  kinds: ['quantity', 'document'],
  statement: ['quantity', 'document', 'kinds'],
  structure: ['quantity', 'document', 'kinds'],
  combinations: ['document'],
  analysis: ['structure'],
  stability: ['structure', 'analysis'],
  results: ['quantity', 'document', 'structure', 'analysis', 'stability'],
  statics: ['structure', 'analysis', 'results'],
  methods: ['quantity', 'document', 'structure', 'analysis', 'stability', 'results', 'statics'],
  sweep: ['quantity', 'document', 'kinds', 'structure', 'analysis', 'stability', 'results', 'checking'],
  influence: ['quantity', 'document', 'kinds', 'structure', 'analysis', 'stability', 'results', 'checking'],
  checking: [
    'quantity',
    'document',
    'kinds',
    'structure',
    'analysis',
    'stability',
    'results',
    'statics',
    'methods',
  ],
  exchange: [
    'quantity',
    'document',
    'kinds',
    'statement',
    'structure',
    'analysis',
    'stability',
    'results',
    'statics',
    'checking',
    'sweep',
    'influence',
    'methods',
  ],
}
const PARTS = ['theme', 'widgets', 'sheet', 'fields', 'commands', 'figure']
export const WEB = {
  theme: [],
  widgets: ['theme'],
  sheet: ['widgets'],
  fields: ['theme', 'widgets', 'sheet'],
  commands: ['sheet'],
  figure: ['theme', 'widgets', 'sheet', 'fields', 'commands'],
  given: PARTS,
  working: PARTS,
  results: PARTS,
  check: PARTS,
  shelf: PARTS,
  page: [...PARTS, 'given', 'working', 'results', 'check'],
  people: ['theme', 'widgets'],
  server: ['people'],
  routes: [...PARTS, 'given', 'working', 'results', 'check', 'shelf', 'page', 'people', 'server'],
}
