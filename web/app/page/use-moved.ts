import { useEffect } from 'react'
import { useLocation, useNavigate, type Location } from 'react-router'
import { copyHistory } from '../sheet/history'
import type { SheetStore } from '../sheet/store'

const SAID = 'This is a copy of your own now: the problem it was made of stays as it is.'

/** Goes on with the copy that a change to another's problem has become, at the same part of the Sheet. */
export function useMoved(store: SheetStore): void {
  const navigate = useNavigate()
  const { pathname, search, state } = useLocation() as Location<{ copied?: boolean } | null>
  useEffect(() => {
    if (state?.copied) store.setState({ said: SAID, saidOfEdit: false })
  }, [store, state])
  useEffect(
    () =>
      store.subscribe((now, before) => {
        const { movedTo } = now
        if (movedTo === null || movedTo === before.movedTo) return
        const part = pathname.split('/').slice(3).join('/')
        void copyHistory(store, movedTo).then(() =>
          navigate(`/problems/${movedTo}/${part}${search}`, { replace: true, state: { copied: true } }),
        )
      }),
    [store, navigate, pathname, search],
  )
}
