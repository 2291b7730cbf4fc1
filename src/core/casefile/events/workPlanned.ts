import type { Day } from '../../dates/day';
import type { EventKind } from './eventKind';

/** Who takes a case, until when, and how soon. */
export interface WorkPlan {
  /** A person's id; unset where whoever is free takes it. */
  owner?: string;
  due?: Day;
  urgent?: true;
}

export const workPlanned: EventKind<'workPlanned'> = {
  type: 'workPlanned',
  apply: (file, { body }) => ({ ...file, plan: body }),
  isWork: false,
};
