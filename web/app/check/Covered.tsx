import { edit } from '@viga/core'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Choice } from '../widgets/Choice'
import { Tick } from '../widgets/Tick'
import { isCovered, SHOWS, useChooseShows, useShows } from './shows'

/** How much of the answer is shown: the student's choice. */
export function ShowsChoice() {
  const shows = useShows()
  const choose = useChooseShows()
  return (
    <div className="shows-choice">
      <Choice
        label="What is shown of the answer"
        lead="Show"
        options={SHOWS.map(({ key, label }) => [key, label] as const)}
        value={shows}
        onChange={choose}
      />
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
