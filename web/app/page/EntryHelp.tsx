import { Press } from '../widgets/Press'
import type { EntryWords, Example } from './entry-words'

const words = ({ fields }: Example) =>
  Object.values(fields)
    .filter((t) => t !== '')
    .join('   ')

/** What the entries of the part in view understand: a press puts an example into its field. */
export function EntryHelp({
  entries,
  onInsert,
}: {
  entries: readonly EntryWords[]
  onInsert: (entry: EntryWords, example: Example) => void
}) {
  if (entries.length === 0) return null
  return (
    <section className="entry-help" aria-label="What can be typed">
      <h3>What can be typed, here by a press</h3>
      <dl>
        {entries.map((entry) =>
          entry.examples.map((example, i) => (
            <div key={`${entry.row} ${words(example)}`}>
              <dt>{i === 0 && entry.title}</dt>
              <dd>
                <Press className="link example" onClick={() => onInsert(entry, example)}>
                  {words(example)}
                </Press>
                <span className="quiet">{example.means}</span>
              </dd>
            </div>
          )),
        )}
      </dl>
    </section>
  )
}
