import { Pick } from '../widgets/Pick'
import { working } from '@viga/core'
import { useState } from 'react'

/** Copies a matrix as text, or saves it as a file: every number in full. */
export function MatrixOut({
  name,
  values,
}: {
  name: string
  values: readonly (readonly number[])[] | (() => readonly (readonly number[])[])
}) {
  const [said, setSaid] = useState('')
  const matrix = () => (typeof values === 'function' ? values() : values)
  const copy = (form: working.MatrixForm) =>
    navigator.clipboard.writeText(working.matrixText(matrix(), form)).then(
      () => setSaid('copied'),
      () => setSaid('the clipboard refused'),
    )
  const save = (form: working.MatrixForm) => {
    const url = URL.createObjectURL(new Blob([working.matrixText(matrix(), form)], { type: 'text/plain' }))
    const link = document.createElement('a')
    link.href = url
    link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-')}.${working.MATRIX_FORMS[form].ending}`
    link.click()
    URL.revokeObjectURL(url)
    setSaid('saved')
  }
  const choose = (value: string) => {
    const [what, form] = value.split(' ') as ['copy' | 'save', working.MatrixForm]
    if (what === 'copy') void copy(form)
    else save(form)
  }
  return (
    <span className="matrix-out">
      <Pick
        className="cell-select"
        aria-label={`take ${name} out`}
        value=""
        onChange={(e) => choose(e.target.value)}
        onBlur={() => setSaid('')}
      >
        <option value="">{said || 'copy'}</option>
        {(['tabs', 'latex', 'python', 'semicolons'] as const).map((f) => (
          <option key={f} value={`copy ${f}`}>
            copy as {working.MATRIX_FORMS[f].label}
          </option>
        ))}
        {(['csv', 'matrix-market'] as const).map((f) => (
          <option key={f} value={`save ${f}`}>
            save as {working.MATRIX_FORMS[f].label}
          </option>
        ))}
      </Pick>
      <span className="visually-hidden" role="status">
        {said}
      </span>
    </span>
  )
}
