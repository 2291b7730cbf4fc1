import type { Away } from '@/core/casefile/events/itemMoved';
import type { ManifestField, ManifestLine } from '@/core/consignments/manifest';

/** A consignment as it is listed. */
export interface ConsignmentLineView {
  id: string;
  name: string;
  seller: string | null;
  at: string;
  pieces: number;
  open: number;
  closedAt: string | null;
}

/** A line of a manifest with the record that it was found to name. */
export interface FoundLineView extends ManifestLine {
  release: { id: string; title: string; styleCode: string } | null;
  sizeKey: string | null;
  remark: string;
}

/** A manifest as the desk understands it. */
export interface LookedAt {
  lines: FoundLineView[];
  wrong: { line: number; why: string }[];
  pieces: number;
}

/** A manifest's headings, and what its columns hold. */
export interface HeadingsView {
  headings: string[];
  columns: (ManifestField | null)[];
  remembered: boolean;
  sample: string[][];
}

/** A consignment with its pieces. */
export interface ConsignmentFull {
  id: string;
  name: string;
  seller: string | null;
  at: string;
  closedAt: string | null;
  pieces: {
    n: number;
    line: FoundLineView;
    number: string | null;
    state: string | null;
    decision: string | null;
    away: Away | null;
  }[];
}
