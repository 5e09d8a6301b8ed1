import { Link, useRouteLoaderData } from 'react-router'
import { Press } from './Press'
import { useScheme } from '../theme/scheme'
import './top-line.css'

/** The line over every page: whose page it is, and what concerns the whole of Viga. */
export function TopLine({
  children,
  middle,
  right,
}: {
  children?: React.ReactNode
  middle?: React.ReactNode
  right?: React.ReactNode
}) {
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
        <Who />
        <SchemeSwitch />
      </div>
    </header>
  )
}

/** Who is signed in, where several people use this Viga. */
function Who() {
  const who = useRouteLoaderData<{ who?: { account: boolean; name: string } | null }>('root')?.who
  if (!who) return null
  return (
    <Link to={who.account ? '/account' : '/sign-in'} className="top-who">
      {who.account ? who.name : 'Sign in'}
    </Link>
  )
}

function SchemeSwitch() {
  const [now, choose] = useScheme()
  const other = now === 'dark' ? 'light' : 'dark'
  return <Press onClick={() => choose(other)}>{other === 'dark' ? 'Dark' : 'Light'}</Press>
}
