/** The page of a list that is asked for, or the nearest that there is, and which of its rows stand on it. */
export function placeOf(page: number, count: number, perPage: number) {
  const pages = Math.max(1, Math.ceil(count / perPage));
  const at = Math.min(Math.max(1, page), pages);
  return { at, pages, stretch: { limit: perPage, offset: (at - 1) * perPage } };
}
