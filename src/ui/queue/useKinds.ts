import { useEffect, useState } from 'react';
import type { Option } from '../controls/option';
import { request } from '../request';

/** The kinds of goods that the desk knows, asked for where one is to be chosen; null until they are there. */
export function useKinds(wanted: boolean): Option<string>[] | null {
  const [kinds, setKinds] = useState<Option<string>[] | null>(null);
  useEffect(() => {
    if (!wanted) return;
    request<{ id: string; name: string }[]>('/api/kinds').then(
      (found) => setKinds(found.map(({ id, name }) => ({ value: id, label: name }))),
      () => setKinds([]),
    );
  }, [wanted]);
  return kinds;
}
