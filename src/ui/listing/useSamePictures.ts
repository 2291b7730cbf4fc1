import { useEffect, useState } from 'react';
import { useCaseBook } from '../casebook/CaseBook';
import { request } from '../request';

/** Another case that has the same picture; false: nearly the same. */
export interface SamePictureView {
  number: string;
  same: boolean;
}

/** Other cases that have a picture of this one, by its hash; asked anew when a picture came. */
export function useSamePictures(photos: number): Record<string, SamePictureView[]> {
  const { number } = useCaseBook();
  const [found, setFound] = useState<Record<string, SamePictureView[]>>({});
  useEffect(() => {
    if (photos === 0) return;
    const away = new AbortController();
    request<Record<string, SamePictureView[]>>(`/api/cases/${encodeURIComponent(number)}/same-pictures`, {
      signal: away.signal,
    })
      .then(setFound)
      // Without an answer nothing is claimed of any picture.
      .catch(() => {});
    return () => away.abort();
  }, [number, photos]);
  return found;
}
