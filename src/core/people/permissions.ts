import type { EventType } from '../casefile/event';
import type { Person, Role } from './person';

/** What is done at the desk beside adding entries to a case. */
export type Deed =
  | 'import'
  | 'addPhotograph'
  | 'editRecords'
  | 'editChecks'
  | 'editHouse'
  | 'keepDesk'
  | 'managePeople';

const OWNER: readonly Role[] = ['owner'];
const CHECKERS: readonly Role[] = ['owner', 'checker'];
const INTAKE: readonly Role[] = ['owner', 'checker', 'intake'];
const NOBODY: readonly Role[] = [];

/** Who may do what. Looking and exporting is for everybody who is signed in. */
const PERMISSIONS: Record<EventType | Deed, readonly Role[]> = {
  opened: INTAKE,
  circumstancesStated: INTAKE,
  factRead: INTAKE,
  factWithdrawn: INTAKE,
  photoAdded: INTAKE,
  photoWithdrawn: INTAKE,
  photoScaled: INTAKE,
  pictureNoted: INTAKE,
  comparablesStated: INTAKE,
  pictureAsked: INTAKE,
  pictureAnswered: INTAKE,
  workPlanned: INTAKE,
  releaseChosen: INTAKE,
  itemMoved: INTAKE,
  addPhotograph: INTAKE,

  findingRecorded: CHECKERS,
  findingExcused: CHECKERS,
  findingWithdrawn: CHECKERS,
  opinionAsked: CHECKERS,
  opinionGiven: CHECKERS,
  verdictSealed: CHECKERS,
  reopened: CHECKERS,
  caseClosed: CHECKERS,
  truthConfirmed: CHECKERS,
  import: CHECKERS,
  editRecords: CHECKERS,
  editChecks: CHECKERS,

  editHouse: OWNER,
  keepDesk: OWNER,
  managePeople: OWNER,

  // The desk notes it itself.
  codeMet: NOBODY,
};

/** Whether somebody of that role may do that. */
export const may = (role: Role, deed: EventType | Deed): boolean => PERMISSIONS[deed].includes(role);

/** Whether somebody inspects goods of a kind: works here, may, and took no other kinds alone. */
export const inspects = ({ role, retired, kinds }: Person, kind: string): boolean =>
  !retired && may(role, 'findingRecorded') && (kinds === undefined || kinds.includes(kind));

/** What each role is called, and what it lets do, as a roster shows it. */
export const ROLES: { value: Role; label: string; does: string }[] = [
  { value: 'owner', label: 'owner', does: 'everything, with people, house rules and keeping' },
  { value: 'checker', label: 'checker', does: 'inspects and decides, edits records and checks, takes in files' },
  { value: 'intake', label: 'intake', does: 'opens cases, reads codes, adds photographs' },
  { value: 'reader', label: 'reader', does: 'looks at everything, and takes reports and packs' },
];
