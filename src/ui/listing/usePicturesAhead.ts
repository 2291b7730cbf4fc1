import { useMemo } from 'react';
import { evidenceFor } from '@/core/judgement/assess';
import type { Evidence } from '@/core/judgement/evidence';
import { type PictureWorth, picturesWorth } from '@/core/judgement/picturesWorth';
import { useCaseBook, useStanding } from '../casebook/CaseBook';

/** What pictures may still tell of the case, and the evidence that they would be added to. */
export interface PicturesAhead {
  worth: PictureWorth[];
  evidence: Evidence;
}

/** What pictures may still tell; worked out once for all parts of the view. */
export function usePicturesAhead(): PicturesAhead {
  const { file, grounds } = useCaseBook();
  const { assessment } = useStanding();
  return useMemo(() => {
    const { gains, goods, findings } = assessment;
    return {
      worth: picturesWorth(grounds.kind, file, gains, goods.p),
      evidence: evidenceFor(file, grounds, findings),
    };
  }, [file, grounds, assessment]);
}
