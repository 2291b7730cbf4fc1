import type { EventKind } from './eventKind';

/** What a printed code was found to stand for in the records, at the time when it was read. */
export interface Belonging {
  releaseId: string;
  revision: number;
  makerName: string;
  name: string;
  styleCode: string;
  colourName: string;
  /** The size, where the code names one. */
  sizeKey: string | null;
}

/** A place on a photograph of the case. */
export interface SeenIn {
  sha256: string;
  /** Its corners, clockwise from where reading begins, as shares of the picture's width and height. */
  corners: [x: number, y: number][];
  /** Of the recognition, 0 to 1. */
  confidence: number;
}

/** A printed fact was read. `absent`: the place was looked at and does not print it; `illegible`: it cannot be read. */
export interface FactRead {
  place: string;
  fact: string;
  state: 'read' | 'absent' | 'illegible';
  raw: string;
  via: 'typed' | 'scanned' | 'imported' | 'pasted' | 'picture' | 'rfid';
  /** Where it was seen, if it was read from a picture. */
  picture?: SeenIn;
  belongsTo?: Belonging[];
  /** Numbers one slip away from a failing one that the records do know. */
  corrections?: string[];
  /** Code schemes of other makers that it fits, where it fits none of its own. */
  fitsOther?: string[];
}

export const factRead: EventKind<'factRead'> = {
  type: 'factRead',
  apply: (file, { body }, stamp) => {
    const { place, fact } = body;
    return { ...file, facts: { ...file.facts, [place]: { ...file.facts[place], [fact]: { ...body, ...stamp } } } };
  },
};
