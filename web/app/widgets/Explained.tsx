import Tooltip from '@mui/material/Tooltip'
import type { ReactElement } from 'react'

/** Something with a few words that explain it, shown while it is pointed at or has the focus. */
export const Explained = ({ title, children }: { title: string | undefined; children: ReactElement }) =>
  title === undefined ? (
    children
  ) : (
    <Tooltip title={title} describeChild enterDelay={400}>
      {children}
    </Tooltip>
  )
