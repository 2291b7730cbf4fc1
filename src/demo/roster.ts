import type { Roster } from '@/core/people/person';

/** Who works at the desk of the demo world; nobody real. They sign in with one key press. */
export const ROSTER: Roster = {
  id: 'bench',
  people: [
    { id: 'isolde-varr', name: 'Isolde Varr', role: 'owner' },
    { id: 'tomas-quelle', name: 'Tomas Quelle', role: 'checker' },
    { id: 'bryn-askerby', name: 'Bryn Askerby', role: 'checker' },
  ],
  signIn: { oneKey: true, proof: false, shiftHours: 10 },
};
