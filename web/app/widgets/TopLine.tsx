import { useEffect } from 'react'
import { Link, useFetcher, useRouteLoaderData } from 'react-router'
import './top-line.css'

/** The line over every page: whose page it is, and what concerns the whole of Viga. */
export function TopLine({ children, middle, right }: { children?: React.ReactNode; middle?: React.ReactNode; right?: React.ReactNode }) {
  return (
    <header className="top-line">
      <div className="top-name">
        <Link to="/" className="top-mark">
          Viga
        </Link>
        {children}
      </div>
      <div className="top-middle">{middle}</div>
      <div className="top-right">
        {right}
        <SchemeSwitch />
      </div>
    </header>
  )
}

function SchemeSwitch() {
  const fetcher = useFetcher()
  const root = useRouteLoaderData<{ scheme: 'light' | 'dark' }>('root')
  const now = (fetcher.formData?.get('scheme') as string | null) ?? root?.scheme ?? 'light'
  const other = now === 'dark' ? 'light' : 'dark'
  // at once, before the server has kept it
  useEffect(() => {
    document.documentElement.dataset.scheme = now
  }, [now])
  return (
    <button type="button" onClick={() => void fetcher.submit({ scheme: other }, { method: 'post', action: '/scheme' })}>
      {other === 'dark' ? 'Dark' : 'Light'}
    </button>
  )
}
