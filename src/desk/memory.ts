import { LRUCache } from 'lru-cache';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent } from '@/core/casefile/event';
import type { Assessment } from '@/core/judgement/assess';
import type { CodesReading } from '@/core/judgement/codesReading';

/** A log whose hashes were walked to the head that its case has, with what it folds to. */
export interface KnownLog {
  events: CaseEvent[];
  file: CaseFile;
}

/** What was worked out and cannot have changed, by the hashes that it rests on. */
export interface Memory {
  /** By the head of the log. */
  logs: LRUCache<string, KnownLog>;
  /** By the head and the documents that it was held against. */
  assessments: LRUCache<string, Assessment>;
  /** The same, and the day. */
  readings: LRUCache<string, CodesReading>;
  /** By case: the summary that is right at a head and a state of all documents. */
  lines: LRUCache<string, { state: string; summary: string }>;
  /** Photographs as wide as screens show them, by hash and width. */
  pictures: LRUCache<string, Uint8Array>;
}

export const emptyMemory = (): Memory => ({
  logs: new LRUCache({ maxSize: 30_000, sizeCalculation: ({ events }) => events.length + 1 }),
  assessments: new LRUCache({ max: 100 }),
  readings: new LRUCache({ max: 100 }),
  lines: new LRUCache({ max: 10_000 }),
  pictures: new LRUCache({ maxSize: 64_000_000, sizeCalculation: ({ length }) => length + 1 }),
});
