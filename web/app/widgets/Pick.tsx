import InputBase from '@mui/material/InputBase'
import NativeSelect from '@mui/material/NativeSelect'
import type { ChangeEvent, ComponentPropsWithoutRef } from 'react'

const FRAMELESS = { display: 'contents' } as const
const bare = <InputBase sx={FRAMELESS} />
const NoSign = () => null

type Props = Omit<ComponentPropsWithoutRef<'select'>, 'onChange'> & {
  onChange: (e: ChangeEvent<HTMLSelectElement>) => void
}

/** One of a few, chosen from the list that the browser or the phone shows for it. */
export const Pick = ({ value, onChange, children, ...rest }: Props) => (
  <NativeSelect
    value={value}
    onChange={onChange}
    input={bare}
    IconComponent={NoSign}
    inputProps={rest}
    sx={FRAMELESS}
  >
    {children}
  </NativeSelect>
)
