import Dialog from '@mui/material/Dialog'
import { useState, type ReactNode } from 'react'
import { Press } from '../widgets/Press'

/**
 * A way to see a matrix over the whole width of the window, where the Sheet is too narrow for it.
 * @param children the matrix, given how its window is closed when one of its entries is opened
 */
export function WholeWidth({
  label,
  children,
}: {
  label: string
  children: (close: () => void) => ReactNode
}) {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <div className="whole-width">
      <Press className="link" aria-label={`${label} over the whole width`} onClick={() => setOpen(true)}>
        whole width
      </Press>
      <Dialog open={open} onClose={close} maxWidth={false} aria-label={label}>
        <div className="whole-width-sheet">
          <div className="matrix-head">
            <span>{label}</span>
            <Press className="link" onClick={close}>
              close
            </Press>
          </div>
          {open && children(close)}
        </div>
      </Dialog>
    </div>
  )
}
