import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { memo, useEffect, useRef, useState } from 'react'
import { Link, useFetcher } from 'react-router'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import type { action } from '../routes/shelf'
import type { ShelfPage } from '../server/shelf.server'
import { VerdictSign } from '../widgets/VerdictSign'

/** Said of a problem that is not the reader's own. */
const WHOSE = { own: '', shared: 'shared with you', house: 'example' }

type ShelfCard = ShelfPage['cards'][number]

/** One problem: figure, title, question and how it stands; what can be done with it behind three dots. */
export function ProblemCard({ card, onDelete }: { card: ShelfCard; onDelete: () => void }) {
  const fetcher = useFetcher<typeof action>()
  const [menu, setMenu] = useState<HTMLElement | null>(null)
  const [renaming, setRenaming] = useState(false)
  const submit = (fields: Record<string, string>) =>
    void fetcher.submit({ id: card.id, ...fields }, { method: 'post' })
  const title = (fetcher.formData?.get('title') as string | null) ?? card.title
  return (
    <li className="card">
      <Link to={`/problems/${card.id}/given`} className="card-link" aria-label={`Open ${card.title}`}>
        <CardFigure drawing={card.drawing} />
      </Link>
      <div className="card-text">
        {renaming ? (
          <Rename
            title={title}
            onDone={(next) => (
              setRenaming(false),
              next !== null && next !== card.title && submit({ intent: 'rename', title: next })
            )}
          />
        ) : (
          <h2>{title}</h2>
        )}
        <p>{card.statement}</p>
      </div>
      <Standing card={card} />
      <Press
        className="card-more"
        aria-label={`More for ${card.title}`}
        aria-haspopup="menu"
        onClick={(e) => setMenu(e.currentTarget)}
      >
        ⋯
      </Press>
      <Menu
        anchorEl={menu}
        open={menu !== null}
        onClose={() => setMenu(null)}
        onClick={() => setMenu(null)}
        disableRestoreFocus={renaming}
      >
        {card.whose === 'own' && <MenuItem onClick={() => setRenaming(true)}>Rename</MenuItem>}
        <MenuItem onClick={() => submit({ intent: 'duplicate' })}>Duplicate</MenuItem>
        <MenuItem component="a" href={`/problems/${card.id}/file`} download>
          Save as a file
        </MenuItem>
        {card.whose === 'own' && <MenuItem onClick={onDelete}>Take off the Shelf</MenuItem>}
      </Menu>
    </li>
  )
}

/** Whose problem it is, how it stands, and the verdicts on the hand values. */
const Standing = ({ card: { status, whose } }: { card: ShelfCard }) => (
  <div className={status.bad ? 'card-status pencil' : 'card-status'}>
    <span className="card-status-text">{[WHOSE[whose], status.text].filter(Boolean).join(', ')}</span>
    <span className="card-signs">
      {status.signs.slice(0, 8).map((s, i) => (
        <VerdictSign key={i} sign={s} />
      ))}
    </span>
  </div>
)

/** The figure as the server has drawn it: a page of fifty is not drawn mark by mark. */
const CardFigure = memo(function CardFigure({ drawing }: { drawing: string }) {
  return (
    <svg
      width={220}
      height={152}
      viewBox="0 0 220 152"
      aria-hidden
      dangerouslySetInnerHTML={{ __html: drawing }}
    />
  )
})

function Rename({ title, onDone }: { title: string; onDone: (title: string | null) => void }) {
  const field = useRef<HTMLInputElement>(null)
  const done = useRef(false)
  const finish = (value: string | null) => {
    if (done.current) return
    done.current = true
    onDone(value)
  }
  useEffect(() => {
    // the menu gives its focus back as it closes; take it after that
    const frame = requestAnimationFrame(() => field.current?.select())
    return () => cancelAnimationFrame(frame)
  }, [])
  return (
    <Line
      ref={field}
      className="card-rename"
      defaultValue={title}
      maxLength={300}
      aria-label="Title"
      onBlur={(e) => finish(e.target.value.trim() || null)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') finish(e.currentTarget.value.trim() || null)
        if (e.key === 'Escape') finish(null)
      }}
    />
  )
}
