import type { Part } from '@viga/drawing/caption'
import { entryWords } from './entry-words'
import { KeysHelp } from './KeysHelp'

type Props = Omit<Parameters<typeof KeysHelp>[0], 'entries'> & { part: Part; caseId: string }

/** The list of keys on the page of a problem, with the words that the entries in view understand. */
export default function PageKeysHelp({ part, caseId, ...rest }: Props) {
  return <KeysHelp entries={rest.open ? entryWords(part, caseId) : []} {...rest} />
}
