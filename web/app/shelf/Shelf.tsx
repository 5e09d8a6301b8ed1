import Pagination from '@mui/material/Pagination'
import Snackbar from '@mui/material/Snackbar'
import { useEffect, useRef, useState, type ReactNode, type Ref } from 'react'
import { Link, useFetcher, useSearchParams } from 'react-router'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import type { ShelfPage } from '../server/shelf.server'
import { TopLine } from '../widgets/TopLine'
import { isOfField } from '../commands/typing'
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

/** What is asked for of the Shelf: a kind, words, a page; all of it stands in the address. */
function useAsked() {
  const [asked, ask] = useSearchParams()
  /** Asks for other problems; a change of kind or words begins at the first page. */
  const askFor = (change: Record<string, string>) =>
    ask(
      (before) => {
        const next = { ...Object.fromEntries(before), page: '', ...change }
        return Object.entries(next).filter(([, v]) => v !== '' && v !== 'all')
      },
      { replace: true, preventScrollReset: true },
    )
  return { kind: asked.get('kind') ?? 'all', find: asked.get('find') ?? '', askFor }
}

/** The keys of the Shelf, where nothing is being typed. */
function useKeys(keys: Record<string, () => void>) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (isOfField(e) || e.ctrlKey || e.metaKey || e.altKey || !Object.hasOwn(keys, e.key)) return
      keys[e.key]()
      e.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}

/** The home page: every problem as a sheet standing on a beam, with its little figure. */
export function Shelf({
  cards,
  counts,
  page,
  pages,
  drawnLater = false,
}: ShelfPage & { drawnLater?: boolean }) {
  const { askFor, ...asked } = useAsked()
  const fetcher = useFetcher<typeof action>()
  const opener = useOpener()
  const picker = useRef<HTMLInputElement>(null)
  const submit = (fields: Record<string, string>) => void fetcher.submit(fields, { method: 'post' })
  const create = () => submit({ intent: 'new' })
  const pick = () => picker.current?.click()

  // gone from sight while the server is told
  const leaving = fetcher.formData?.get('intent') === 'delete' ? fetcher.formData.get('id') : null
  const here = useInBrowser() || !drawnLater
  const shown = here ? cards.filter((c) => c.id !== leaving) : []
  const refused = opener.refused ?? (fetcher.data && !fetcher.data.ok ? fetcher.data : undefined)
  return (
    <>
      <TopLine />
      <main className="shelf">
        <Side asked={asked} askFor={askFor} counts={counts} create={create} pick={pick}>
          <FilePicker ref={picker} onFile={(file) => void opener.open(file)} />
          {refused && <Refused {...refused} />}
        </Side>
        <section className="shelf-boards" aria-label="Problems">
          {shown.length === 0 && here ? (
            <NoProblems
              none={counts.all === 0}
              create={create}
              pick={pick}
              examples={() => submit({ intent: 'examples' })}
            />
          ) : (
            <ul className="shelf-row">
              {shown.map((c) => (
                <ProblemCard key={c.id} card={c} onDelete={() => submit({ intent: 'delete', id: c.id })} />
              ))}
            </ul>
          )}
          <Pages page={page} pages={pages} onGo={(to) => askFor({ page: String(to) })} />
        </section>
      </main>
      <PutBack
        taken={fetcher.data?.ok ? fetcher.data.deleted : undefined}
        onPutBack={(id) => submit({ intent: 'restore', id })}
      />
    </>
  )
}

/** Why a file was not opened, and where in it the reason stands. */
const Refused = ({ message, path }: { message: string; path?: string }) => (
  <p className="shelf-refused pencil" role="alert">
    {message}
    {path && path !== '$' && <span className="quiet"> ({path})</span>}
  </p>
)

function Pages({ page, pages, onGo }: { page: number; pages: number; onGo: (to: number) => void }) {
  if (pages < 2) return null
  return (
    <Pagination
      className="shelf-pages"
      count={pages}
      page={page}
      onChange={(_, to) => onGo(to)}
      getItemAriaLabel={(type, to) => (type === 'page' ? `page ${to}` : `${type} page`)}
    />
  )
}

interface SideProps extends Pick<ShelfPage, 'counts'> {
  asked: { kind: string; find: string }
  askFor: (change: Record<string, string>) => void
  create: () => void
  pick: () => void
  children: ReactNode
}

/** What stands beside the boards: the kinds with their counts, the search, and the ways to a new problem. */
function Side({ asked, askFor, counts, create, pick, children }: SideProps) {
  const [find, setFind] = useState(asked.find)
  const search = useRef<HTMLInputElement>(null)
  const lookFor = (words: string) => {
    setFind(words)
    askFor({ find: words.trim() })
  }
  useKeys({ n: create, o: pick, '/': () => search.current?.focus() })
  return (
    <aside>
      <h1>Shelf</h1>
      <p className="shelf-sub">Quince Hill, {countWords(counts.all)}</p>
      <nav className="shelf-kinds" aria-label="Kinds of problem">
        {KINDS.map(([key, label]) => (
          <Toggle key={key} type="button" on={asked.kind === key} onClick={() => askFor({ kind: key })}>
            {label}
            <em>{counts[key]}</em>
          </Toggle>
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
      <Press className="shelf-open" onClick={pick}>
        Open a file<kbd>o</kbd>
      </Press>
      <Link to="/taken-off" className="shelf-open">
        Deleted
      </Link>
      {children}
    </aside>
  )
}

interface FilePickerProps {
  ref: Ref<HTMLInputElement>
  onFile: (file: File) => void
}

/** The browser's own choice of a file, opened by a press elsewhere. */
const FilePicker = ({ ref, onFile }: FilePickerProps) => (
  <input
    ref={ref}
    type="file"
    accept=".json,application/json"
    hidden
    onChange={(e) => {
      const file = e.target.files?.[0]
      if (file) onFile(file)
      e.target.value = ''
    }}
  />
)

interface Taken {
  id: string
  title: string
}

/** For a while after a problem was taken off the Shelf, the way to put it back. */
function PutBack({ taken, onPutBack }: { taken: Taken | undefined; onPutBack: (id: string) => void }) {
  const [undo, setUndo] = useState<Taken | null>(null)
  useEffect(() => {
    if (taken) setUndo(taken)
  }, [taken])
  return (
    <Snackbar
      open={undo !== null}
      autoHideDuration={12_000}
      onClose={(_, reason) => reason !== 'clickaway' && setUndo(null)}
      message={undo ? `${undo.title} was deleted from the Shelf.` : ''}
      action={
        <Press className="shelf-undo" onClick={() => (undo && onPutBack(undo.id), setUndo(null))}>
          Put it back
        </Press>
      }
    />
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
