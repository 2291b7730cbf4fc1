/** What somebody is to the desk; what that lets them do stands in `permissions.ts`. */
export type Role = 'owner' | 'checker' | 'intake' | 'reader';

/** Somebody who works at this desk, or did. Entries carry the id, which never changes. */
export interface Person {
  id: string;
  name: string;
  role: Role;
  /** Does not work here any more; the name stays, since entries carry it. */
  retired?: boolean;
  /** Ids of the kinds of goods that they look at; left out: of all. */
  kinds?: string[];
}

/** How people sign in at this desk. */
export interface SignInRules {
  /** One key press is enough where the desk can be reached from its own machine alone. */
  oneKey: boolean;
  /** Sealing and confirming ask for a PIN or a passkey each time. */
  proof: boolean;
  /** After so many hours a person signs in anew. */
  shiftHours: number;
}

/** Who works at the desk, and how they sign in. A document: revised, never overwritten. */
export interface Roster {
  id: string;
  people: Person[];
  signIn: SignInRules;
}
