import { expose } from 'comlink';
import type { CaseFile } from '@/core/casefile/caseFile';
import { type Assessment, assess } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';

/** What many draws settle more finely than few: the intervals, and the decisions that rest on them. */
export type Refined = Pick<Assessment, 'goods' | 'packaging' | 'parting'>;

const worker = {
  refine(file: CaseFile, grounds: Grounds): Refined {
    const { goods, packaging, parting } = assess(file, grounds);
    return { goods, packaging, parting };
  },
};

export type RefineWorker = typeof worker;

expose(worker);
