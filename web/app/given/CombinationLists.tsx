import { addCombinations, COMBINATION_LISTS, freshCombinations, generateCombinations } from '@viga/core'
import { useState } from 'react'
import { useEdit, useSheet } from '../sheet/context'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'

/** Published lists: what each would add, before it does. */
export default function CombinationLists() {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const [chosen, setChosen] = useState('')
  const list = COMBINATION_LISTS.find((l) => l.id === chosen)
  const made = list && generateCombinations(problem, list)
  const fresh = list ? freshCombinations(problem, list) : []
  return (
    <>
      <Pick
        className="cell-select list-choice"
        aria-label="Published list of combinations"
        value={chosen}
        onChange={(e) => setChosen(e.target.value)}
      >
        <option value="">from a published list</option>
        {COMBINATION_LISTS.map((l) => (
          <option key={l.id} value={l.id}>
            {l.title}
          </option>
        ))}
      </Pick>
      {list && made && (
        <>
          {fresh.length > 0 && (
            <Press
              className="plain-button"
              onClick={() =>
                apply(`combinations of ${list.title}`, (p) => addCombinations(p, list)) === null &&
                setChosen('')
              }
            >
              add {fresh.length}:{' '}
              {fresh
                .slice(0, 3)
                .map((c) => c.title)
                .join('; ')}
              {fresh.length > 3 ? ' …' : ''}
            </Press>
          )}
          <span className="quiet">
            {list.source}.
            {made.combinations.length > 0 &&
              fresh.length === 0 &&
              ' All of its combinations are here already.'}
            {made.left.length > 0
              ? ` It does not speak of ${made.left.join(', ')}: give these a category.`
              : ''}
          </span>
        </>
      )}
    </>
  )
}
