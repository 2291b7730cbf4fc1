/** Where two versions of a document differ, in words: `sizes › 42 › gtin`. */
export const changeWhere = (where: string[]): string =>
  where
    .map((each) =>
      each
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .replaceAll('-', ' ')
        .toLowerCase(),
    )
    .join(' › ');
