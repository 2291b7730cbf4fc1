import type { CaseFile } from '../casefile/caseFile';
import { gatherFindings } from '../checks/findings';
import { condense, type Disagreement } from '../crossread/condense';
import { contextOf } from '../crossread/context';
import type { CrossReading } from '../crossread/crossReading';
import { crossread } from '../crossread/crossread';
import { type DateMark, dateMarks } from '../crossread/dateLine';
import type { Day } from '../dates/day';
import type { Grounds } from './grounds';
import { type ChainReading, readChain } from './readings';

/** What is printed, cross-read, as a person looks at it: plain data. */
export interface CodesReading {
  reading: CrossReading;
  /** What does not agree, in sentences. */
  doubts: Disagreement[];
  chain: ChainReading;
  /** The marks of the date line. */
  marks: DateMark[];
}

/**
 * Cross-read what is printed on an item.
 *
 * @param today the day that the date line ends with
 */
export function readCodes(file: CaseFile, grounds: Grounds, today: Day): CodesReading {
  const context = contextOf(file, grounds);
  const reading = crossread(context);
  const findings = gatherFindings(file, context, reading);
  return {
    reading,
    doubts: condense(reading, findings, context),
    chain: readChain(reading, findings, context),
    marks: dateMarks(reading, context, today),
  };
}
