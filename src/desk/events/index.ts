import type { EventType, NewEvent } from '@/core/casefile/event';
import type { Completion, Setting } from './completion';
import { factRead, factWithdrawn } from './facts';
import { findingExcused, findingRecorded, findingWithdrawn } from './findings';
import { itemMoved } from './itemMoved';
import { comparablesStated, pictureAnswered, workPlanned } from './listing';
import { opinionAsked, opinionGiven } from './opinions';
import { photoAdded } from './photoAdded';
import { photoScaled, pictureNoted } from './pictures';
import { releaseChosen } from './releaseChosen';
import { verdictSealed } from './verdictSealed';

/** What the desk completes or checks, by kind of event; the others are kept as they come. */
const COMPLETIONS: { [T in EventType]?: Completion<T> } = {
  factRead,
  factWithdrawn,
  findingExcused,
  findingRecorded,
  findingWithdrawn,
  comparablesStated,
  pictureAnswered,
  workPlanned,
  itemMoved,
  opinionAsked,
  opinionGiven,
  photoAdded,
  photoScaled,
  pictureNoted,
  releaseChosen,
  verdictSealed,
};

/** Fill in what the desk knows of an event, and turn down what cannot be. */
export async function complete(event: NewEvent, setting: Setting): Promise<NewEvent> {
  const completion = COMPLETIONS[event.type] as Completion<EventType> | undefined;
  return completion ? completion(event, setting) : event;
}
