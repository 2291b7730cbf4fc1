import type { EventKind } from './eventKind';
import type { RecordedFinding } from './findingRecorded';

/** `asked`: the id of the event that asked. */
export interface OpinionGiven {
  asked: string;
  answers: Record<string, RecordedFinding>;
}

export const opinionGiven: EventKind<'opinionGiven'> = {
  type: 'opinionGiven',
  apply: (file, { body: { asked, answers } }, stamp) => ({
    ...file,
    opinions: file.opinions.map((each) => (each.id === asked ? { ...each, given: { ...stamp, answers } } : each)),
  }),
};
