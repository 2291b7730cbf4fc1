/** Who works at the bench of the demo world; nobody real. */
export const ROSTER = {
  id: 'bench',
  checkers: [
    { id: 'isolde-varr', name: 'Isolde Varr' },
    { id: 'tomas-quelle', name: 'Tomas Quelle' },
    { id: 'bryn-askerby', name: 'Bryn Askerby' },
  ],
};
