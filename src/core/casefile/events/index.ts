import type { EventType } from '../event';
import { caseClosed } from './caseClosed';
import { circumstancesStated } from './circumstancesStated';
import { codeMet } from './codeMet';
import { comparablesStated } from './comparablesStated';
import type { EventKind } from './eventKind';
import { factRead } from './factRead';
import { factWithdrawn } from './factWithdrawn';
import { findingExcused } from './findingExcused';
import { findingRecorded } from './findingRecorded';
import { findingWithdrawn } from './findingWithdrawn';
import { itemMoved } from './itemMoved';
import { opened } from './opened';
import { opinionAsked } from './opinionAsked';
import { opinionGiven } from './opinionGiven';
import { photoAdded } from './photoAdded';
import { photoScaled } from './photoScaled';
import { photoWithdrawn } from './photoWithdrawn';
import { pictureAnswered } from './pictureAnswered';
import { pictureAsked } from './pictureAsked';
import { pictureNoted } from './pictureNoted';
import { releaseChosen } from './releaseChosen';
import { reopened } from './reopened';
import { truthConfirmed } from './truthConfirmed';
import { verdictSealed } from './verdictSealed';
import { workPlanned } from './workPlanned';

/** Every kind of event. */
export const EVENT_KINDS: { [T in EventType]: EventKind<T> } = {
  opened,
  circumstancesStated,
  releaseChosen,
  factRead,
  factWithdrawn,
  findingRecorded,
  findingExcused,
  findingWithdrawn,
  photoAdded,
  photoWithdrawn,
  photoScaled,
  pictureNoted,
  comparablesStated,
  pictureAsked,
  pictureAnswered,
  workPlanned,
  opinionAsked,
  opinionGiven,
  codeMet,
  verdictSealed,
  reopened,
  caseClosed,
  truthConfirmed,
  itemMoved,
};
