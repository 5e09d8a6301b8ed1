import Pagination from '@mui/material/Pagination'
import Snackbar from '@mui/material/Snackbar'
import { useEffect, useRef, useState } from 'react'
import { Link, useFetcher, useSearchParams } from 'react-router'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import type { ShelfPage } from '../server/shelf.server'
import { TopLine } from '../widgets/TopLine'
import { useInBrowser } from '../widgets/use-in-browser'
import { NoProblems } from './NoProblems'
import { useOpener } from './OpenDropped'
import { ProblemCard } from './ProblemCard'
import type { action } from '../routes/shelf'
import './shelf.css'

const KINDS = [
  ['all', 'All'],
  ['beam', 'Beams'],
  ['frame', 'Frames'],
  ['truss', 'Trusses'],
] as const

/** The home page: every problem as a sheet standing on a beam, with its little figure. */
export function Shelf({
  cards,
  counts,
  page,
  pages,
  drawnLater = false,
}: ShelfPage & { drawnLater?: boolean }) {
  const [asked, ask] = useSearchParams()
  const kind = asked.get('kind') ?? 'all'
  const [find, setFind] = useState(asked.get('find') ?? '')
  const [undo, setUndo] = useState<{ id: string; title: string } | null>(null)
  const fetcher = useFetcher<typeof action>()
  const opener = useOpener()
  const search = useRef<HTMLInputElement>(null)
  const picker = useRef<HTMLInputElement>(null)

  // gone from sight while the server is told
  const leaving = fetcher.formData?.get('intent') === 'delete' ? fetcher.formData.get('id') : null
  const here = useInBrowser() || !drawnLater
  const shown = here ? cards.filter((c) => c.id !== leaving) : []
  /** Asks for other problems; a change of kind or words begins at the first page. */
  const askFor = (change: Record<string, string>) =>
    ask(
      (before) => {
        const next = { ...Object.fromEntries(before), page: '', ...change }
        return Object.entries(next).filter(([, v]) => v !== '' && v !== 'all')
      },
      { replace: true, preventScrollReset: true },
    )
  const lookFor = (words: string) => {
    setFind(words)
    askFor({ find: words.trim() })
  }

  const result = fetcher.data
  useEffect(() => {
    if (result?.ok && result.deleted) setUndo(result.deleted)
  }, [result])

  const create = () => void fetcher.submit({ intent: 'new' }, { method: 'post' })

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.target as HTMLElement).closest('input, textarea, select') || e.ctrlKey || e.metaKey || e.altKey)
        return
      if (e.key === 'n') create()
      else if (e.key === 'o') picker.current?.click()
      else if (e.key === '/') search.current?.focus()
      else return
      e.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })

  const refused = opener.refused ?? (fetcher.data && !fetcher.data.ok ? fetcher.data : undefined)
  return (
    <>
      <TopLine />
      <main className="shelf">
        <aside>
          <h1>Shelf</h1>
          <p className="shelf-sub">Quince Hill, {countWords(counts.all)}</p>
          <nav className="shelf-kinds" aria-label="Kinds of problem">
            {KINDS.map(([key, label]) => (
              <Press
                key={key}
                type="button"
                aria-pressed={kind === key}
                onClick={() => askFor({ kind: key })}
              >
                {label}
                <em>{counts[key]}</em>
              </Press>
            ))}
          </nav>
          <label className="shelf-find">
            <span className="visually-hidden">Find</span>
            <Line
              ref={search}
              value={find}
              placeholder="Find"
              onChange={(e) => lookFor(e.target.value)}
              onKeyDown={(e) => e.key === 'Escape' && (lookFor(''), e.currentTarget.blur())}
            />
            <kbd>/</kbd>
          </label>
          <Press className="shelf-new" onClick={create}>
            New problem<kbd>n</kbd>
          </Press>
          <Press className="shelf-open" onClick={() => picker.current?.click()}>
            Open a file<kbd>o</kbd>
          </Press>
          <input
            ref={picker}
            type="file"
            accept=".json,application/json"
            hidden
            onChange={(e) => {
              const file = e.target.files?.[0]
              if (file) void opener.open(file)
              e.target.value = ''
            }}
          />
          <Link to="/taken-off" className="shelf-open">
            Taken off
          </Link>
          {refused && (
            <p className="shelf-refused pencil" role="alert">
              {refused.message}
              {refused.path && refused.path !== '$' && <span className="quiet"> ({refused.path})</span>}
            </p>
          )}
        </aside>
        <section className="shelf-boards" aria-label="Problems">
          {shown.length === 0 && here ? (
            <NoProblems
              none={counts.all === 0}
              create={create}
              pick={() => picker.current?.click()}
              examples={() => void fetcher.submit({ intent: 'examples' }, { method: 'post' })}
            />
          ) : (
            <ul className="shelf-row">
              {shown.map((card) => (
                <ProblemCard
                  key={card.id}
                  card={card}
                  onDelete={() => void fetcher.submit({ intent: 'delete', id: card.id }, { method: 'post' })}
                />
              ))}
            </ul>
          )}
          {pages > 1 && (
            <Pagination
              className="shelf-pages"
              count={pages}
              page={page}
              onChange={(_, to) => askFor({ page: String(to) })}
              getItemAriaLabel={(type, to) => (type === 'page' ? `page ${to}` : `${type} page`)}
            />
          )}
        </section>
      </main>
      <Snackbar
        open={undo !== null}
        autoHideDuration={12_000}
        onClose={(_, reason) => reason !== 'clickaway' && setUndo(null)}
        message={undo ? `${undo.title} was taken off the Shelf.` : ''}
        action={
          <Press
            className="shelf-undo"
            onClick={() => (
              undo && void fetcher.submit({ intent: 'restore', id: undo.id }, { method: 'post' }),
              setUndo(null)
            )}
          >
            Put it back
          </Press>
        }
      />
    </>
  )
}

const WORDS = [
  'no problems',
  'one problem',
  'two problems',
  'three problems',
  'four problems',
  'five problems',
  'six problems',
  'seven problems',
  'eight problems',
  'nine problems',
  'ten problems',
  'eleven problems',
  'twelve problems',
]
const countWords = (n: number) => WORDS[n] ?? `${n} problems`
