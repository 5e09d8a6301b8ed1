import { MAX_BYTES } from '@viga/core'
import { Suspense, lazy, useEffect, useRef, useState } from 'react'
import { useFetcher, useLocation } from 'react-router'
import type { action } from '../routes/shelf'
import './open-dropped.css'

const Snackbar = lazy(() => import('@mui/material/Snackbar'))

/** The key of the fetcher that opens files, by which the Shelf shows why a file was refused. */
export const OPENER = 'open-file'

/** Opens a problem file: puts it on the Shelf and goes to it. */
export function useOpener() {
  const fetcher = useFetcher<typeof action>({ key: OPENER })
  const [large, setLarge] = useState<{ message: string; path?: string }>()
  const open = async (file: File) => {
    // what is larger than any problem is not read at all
    const tooLarge = file.size > MAX_BYTES
    setLarge(tooLarge ? { message: `${file.name} is larger than ${MAX_BYTES / 1e6} MB.` } : undefined)
    if (tooLarge) return
    await fetcher.submit(
      { intent: 'open', file: await file.text() },
      { method: 'post', action: '/?index', encType: 'multipart/form-data' },
    )
  }
  const refused = fetcher.data && !fetcher.data.ok ? fetcher.data : undefined
  return { open, refused: large ?? refused, isLarge: large !== undefined }
}

/**
 * Opens the file that was dropped on the page, and says why one is refused; a sheet over the page says what
 * would happen while one is held over it.
 */
export function OpenDropped({ over, dropped }: { over: boolean; dropped: File | undefined }) {
  const { open, refused, isLarge } = useOpener()
  // the Shelf has a place of its own for what the server refused
  const { pathname } = useLocation()
  const [said, setSaid] = useState<typeof refused>()
  const latest = useRef(open)
  useEffect(() => {
    latest.current = open
  })
  useEffect(() => {
    if (dropped) void latest.current(dropped)
  }, [dropped])
  return (
    <>
      {over && (
        <div className="open-dropped" role="status">
          <p>Let go to open this file as a problem of its own.</p>
        </div>
      )}
      {refused && (pathname !== '/' || isLarge) && (
        <Suspense>
          <Snackbar
            open={refused !== said}
            message={`The file was not opened. ${refused.message}`}
            autoHideDuration={12_000}
            onClose={(_, reason) => reason !== 'clickaway' && setSaid(refused)}
          />
        </Suspense>
      )}
    </>
  )
}
