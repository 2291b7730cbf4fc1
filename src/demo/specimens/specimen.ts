import type { MaterialName } from './materials';

/** A rectangle on the specimen, in mm from its upper left corner. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Something flat that a specimen is laid together of, the lowest first. All lengths in mm. */
export interface Slab {
  /** Its edge, as the path of an SVG. */
  outline: string;
  /** Where its upper left corner lies on the specimen, where that is not the specimen’s own. */
  at?: { x: number; y: number };
  material: MaterialName;
  /** How high its face lies over the table. */
  lift: number;
  /** What is printed or painted on it, as SVG; clipped by the edge. */
  paint: string;
  /** What stands out or is sunk in, as SVG in greys: the middle grey is its face, white `RELIEF` over it, black under. */
  relief?: string;
  /** Where metal lies, as SVG in white; colours are its hue. */
  foil?: string;
  /** What shines under the lamp, as SVG in the colours in which it shines. */
  glow?: string;
}

/** The height that white stands for in a relief, in mm. */
export const RELIEF = 0.6;

/** A printed fact with the place where it stands. */
export interface PrintedFact {
  place: string;
  fact: string;
  text: string;
  box: Box;
}

/** A barcode or 2D code. */
export interface PrintedCode {
  symbology: 'ean13' | 'ean8' | 'upca' | 'code128' | 'datamatrix' | 'qrcode';
  text: string;
  /** Width of one module, in mm. */
  module: number;
  box: Box;
}

/** All that is true of a specimen. */
export interface Truth {
  kind: string;
  seed: number;
  /** The faults that were made on purpose. */
  faults: string[];
  /** Every figure that its drawing followed; the unit stands in the name. */
  parameters: Record<string, number>;
  facts: PrintedFact[];
  codes: PrintedCode[];
  /** Whatever else has a place: the ends of a line that is measured, the edge of an emblem. */
  marks: Record<string, Box>;
}

/** A made-up thing that can be photographed. */
export interface Specimen {
  /** In mm. */
  width: number;
  height: number;
  slabs: Slab[];
  truth: Truth;
}
