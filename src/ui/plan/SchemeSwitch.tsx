'use client';

import { Switch } from '../shared/Switch';

export type Scheme = 'light' | 'dark';

/** Which of a page's colour schemes is seen. */
export function SchemeSwitch({
  scheme,
  onScheme,
}: {
  scheme: Scheme;
  onScheme(scheme: Scheme): void;
}) {
  return (
    <Switch<Scheme>
      label="Colour scheme"
      value={scheme}
      choices={[
        { value: 'light', label: 'light' },
        { value: 'dark', label: 'dark' },
      ]}
      onChange={onScheme}
    />
  );
}
