import { fileName, writeProblem } from '@viga/core'
import type { MouseEvent } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'

/** The problem as a file: from the server, or from this page while the server does not have all of it. */
export function SaveAsFile() {
  const store = useSheetStore()
  const id = useSheet((s) => s.id)
  const fromHere = (e: MouseEvent) => {
    const { save, problem } = store.getState()
    if (save.kind === 'saved') return
    e.preventDefault()
    const address = URL.createObjectURL(new Blob([writeProblem(problem)], { type: 'application/json' }))
    const link = document.createElement('a')
    link.href = address
    link.download = `${fileName(problem.title)}.viga.json`
    link.click()
    URL.revokeObjectURL(address)
  }
  return (
    <a href={`/problems/${id}/file`} download className="link" onClick={fromHere}>
      Save as a file
    </a>
  )
}
