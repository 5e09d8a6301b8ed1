import { createStore } from 'zustand/vanilla'

const KEY = 'viga:first-notes'

/** Whether the four notes that walk through a first problem are shown; this browser remembers the answer. */
export const firstNotes = createStore<{ shown: boolean }>(() => ({ shown: false }))

/** Shows the notes with a first problem that has something to look at, unless they were put away before. */
export function offerNotes(hasMembers: boolean) {
  try {
    if (hasMembers && localStorage.getItem(KEY) === null) firstNotes.setState({ shown: true })
  } catch {
    // without storage it could not be remembered that they were closed, so they are not shown unasked
  }
}

/** Puts the notes away for good; `showNotes` brings them back when a person asks for them. */
export function putNotesAway() {
  firstNotes.setState({ shown: false })
  try {
    localStorage.setItem(KEY, 'seen')
  } catch {
    // they stay away as long as the page
  }
}

export const showNotes = () => firstNotes.setState({ shown: true })
