/** Something about the data directory or the database that a person must put right; the message says what. */
export class StoreProblem extends Error {
  override name = 'StoreProblem';
}
