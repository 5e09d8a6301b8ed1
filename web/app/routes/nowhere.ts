import { data } from 'react-router'

/** An address that nothing stands at: a mistyped one, or a link from elsewhere that was cut. */
export function loader() {
  throw data('There is no page at this address.', { status: 404 })
}

export default function Nowhere() {
  return null
}
