import { useInBrowser } from './use-in-browser'

const FORMAT: Intl.DateTimeFormatOptions = { dateStyle: 'medium', timeStyle: 'short', hourCycle: 'h23' }

/** A moment in the reader's own time, which the server does not know. */
export function When({ at }: { at: string }) {
  const here = useInBrowser()
  return <time dateTime={at}>{here ? new Date(at).toLocaleString('en-GB', FORMAT) : at.slice(0, 10)}</time>
}
