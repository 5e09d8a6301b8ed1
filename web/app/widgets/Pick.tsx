import InputBase from '@mui/material/InputBase'
import NativeSelect from '@mui/material/NativeSelect'
import { Frameless } from './Frameless'
import type { ChangeEvent, ComponentPropsWithoutRef } from 'react'

const bare = <InputBase slots={{ root: Frameless }} />
const NoSign = () => null

type Props = Omit<ComponentPropsWithoutRef<'select'>, 'onChange'> & {
  onChange: (e: ChangeEvent<HTMLSelectElement>) => void
}

/** One of a few, chosen from the list that the browser or the phone shows for it. */
export const Pick = ({ value, onChange, children, ...rest }: Props) => (
  <NativeSelect value={value} onChange={onChange} input={bare} IconComponent={NoSign} inputProps={rest}>
    {children}
  </NativeSelect>
)
