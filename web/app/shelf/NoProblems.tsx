import { Press } from '../widgets/Press'

/** What the boards say when nothing stands on them: how to begin, or that the search found nothing. */
export function NoProblems({
  none,
  create,
  pick,
  examples,
}: {
  /** There is no problem at all, whatever is looked for. */
  none: boolean
  create: () => void
  pick: () => void
  examples: () => void
}) {
  if (!none) return <p className="shelf-empty">No problem on the Shelf is like that.</p>
  return (
    <div className="shelf-empty">
      <p>The Shelf is empty. There are three ways to begin:</p>
      <ul>
        <li>
          <Press className="textlink" onClick={create}>
            State a new problem
          </Press>{' '}
          (press <kbd>n</kbd>): begin with a shape, draw it, or type its joints and members.
        </li>
        <li>
          <Press className="textlink" onClick={pick}>
            Open a problem file
          </Press>{' '}
          (press <kbd>o</kbd>), or drop it anywhere on this page.
        </li>
        <li>
          <Press className="textlink" onClick={examples}>
            Put the examples on the Shelf
          </Press>
          : a dozen solved problems from Quince Hill to look at, copy and change.
        </li>
      </ul>
    </div>
  )
}
