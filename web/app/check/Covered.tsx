import { edit } from '@viga/core'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { OneOf, Tick } from '../widgets/Tick'
import { isCovered, SHOWS, useChooseShows, useShows } from './shows'

/** How much of the answer is shown: the student's choice. */
export function ShowsChoice() {
  const shows = useShows()
  const choose = useChooseShows()
  return (
    <div className="shows-choice">
      <div role="radiogroup" aria-label="What is shown of the answer">
        <span className="quiet">Show</span>
        {SHOWS.map(({ key, label }) => (
          <label key={key}>
            <OneOf name="what is shown" checked={shows === key} onChange={() => choose(key)} />
            {label}
          </label>
        ))}
      </div>
      <CoverSetting />
    </div>
  )
}

/** The instructor's setting: whoever opens the problem sees no computed value before asking for it. */
function CoverSetting() {
  const store = useSheetStore()
  const apply = useEdit()
  const covered = useSheet((s) => isCovered(s.problem))
  const name = 'cover the computed values until asked'
  return (
    <label>
      <Tick
        checked={covered}
        aria-label={name}
        onChange={() => {
          const error = apply(covered ? 'uncover the values' : 'cover the values', (p) =>
            edit.setView(p, 'covered', covered ? undefined : true),
          )
          // who covers them sees what a student will see
          if (!error && !covered) store.setState({ shows: null })
        }}
      />{' '}
      {name}
    </label>
  )
}
