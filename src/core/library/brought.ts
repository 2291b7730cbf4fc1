import type { CsvMapping } from './csvColumns';

/** A file that was brought: a library, or a table whose columns a person says first. */
export type Brought =
  | { file: string; name: string; format: 'json' }
  | {
      file: string;
      name: string;
      format: 'csv';
      headings: string[];
      /** The first rows, for whoever says what the columns hold. */
      rows: string[][];
      mapping: CsvMapping;
      /** True where the mapping is the one that was used last for such a file. */
      remembered: boolean;
      /** What every row may be where no column says so. */
      choices: { maker: string[]; kind: string[]; chart: string[] };
    };
