import type { WantedPicture } from '../checks/picturesWanted';

/** The line by which a phone adds pictures to a case, as the bench sees it. */
export interface LineSeen {
  /** ISO instant at which it ends. */
  until: string;
  /** A phone has begun. */
  begun: boolean;
  pictures: number;
}

/** The same with its address. */
export interface LineAddress extends LineSeen {
  /** What a phone can reach, likeliest first; none where the desk listens on its own machine only. */
  addresses: string[];
  /** Where this machine itself finds the page of the phone. */
  path: string;
  /** The first of the addresses as a QR code: a path of one unit a module. */
  code: { d: string; size: number } | null;
}

/** What is heard of a line. */
export type LineNews = { begun: true } | { picture: string } | { over: true };

/** All that a phone may read. */
export interface PhonePage {
  number: string;
  begun: boolean;
  next: WantedPicture[];
}
