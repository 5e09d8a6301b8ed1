import { lazy, Suspense, useEffect, useState } from 'react'

// how a file is opened is asked for after the page stands
const OpenDropped = lazy(() => import('./OpenDropped').then((m) => ({ default: m.OpenDropped })))

const carriesFiles = (e: DragEvent) => e.dataTransfer?.types.includes('Files') ?? false

/**
 * A problem file may be dropped on any page. The page listens from its first moment, since the browser would
 * leave it for the file otherwise; a file that comes before Viga can open it waits until it can.
 */
export function DropTarget() {
  const [live, setLive] = useState(false)
  const [over, setOver] = useState(false)
  const [dropped, setDropped] = useState<File>()
  useEffect(() => {
    setLive(true)
    const onOver = (e: DragEvent) => {
      if (!carriesFiles(e)) return
      e.preventDefault()
      setOver(true)
    }
    const onLeave = (e: DragEvent) => !e.relatedTarget && setOver(false)
    const onDrop = (e: DragEvent) => {
      if (!carriesFiles(e)) return
      e.preventDefault()
      setOver(false)
      const file = e.dataTransfer?.files[0]
      if (file) setDropped(file)
    }
    window.addEventListener('dragover', onOver)
    window.addEventListener('dragleave', onLeave)
    window.addEventListener('drop', onDrop)
    return () => {
      window.removeEventListener('dragover', onOver)
      window.removeEventListener('dragleave', onLeave)
      window.removeEventListener('drop', onDrop)
    }
  }, [])
  if (!live) return null
  return (
    <Suspense>
      <OpenDropped over={over} dropped={dropped} />
    </Suspense>
  )
}
