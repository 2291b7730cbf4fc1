import type { Person, SignInRules } from './person';

/** A person as the page of people shows them. */
export interface Member extends Person {
  /** How they can sign in. */
  has: ('passphrase' | 'pin' | 'passkey')[];
  /** Since when an invitation waits for them. */
  invited: string | null;
}

/** A line of the log of sign-ins. */
export interface SignInLine {
  at: string;
  person: string;
  how: string;
  /** Where it came from, as the connection says. */
  came: string;
  done: number;
}

/** The page of people. */
export interface PeopleState {
  people: Member[];
  /** Kinds of goods that the desk looks at. */
  kinds: { id: string; name: string }[];
  signIn: SignInRules;
  revision: number;
  /** The desk is reached from other machines: one key press is never enough then. */
  wide: boolean;
  /** My own keys. */
  passkeys: { id: string; label: string; since: string }[];
  /** Only the owner sees it. */
  log: SignInLine[];
}
