import type { ComponentProps } from 'react';
import { TextField } from './TextField';

/** A field for the id of a trait or measure: what cannot be in one becomes a dash as it is typed. */
export function IdField({
  onChange,
  ...rest
}: Omit<ComponentProps<typeof TextField>, 'onChange'> & { onChange: (id: string) => void }) {
  return (
    <TextField
      maxLength={80}
      {...rest}
      onChange={({ target }) => onChange(target.value.toLowerCase().replace(/[^a-z0-9.-]+/g, '-'))}
    />
  );
}
