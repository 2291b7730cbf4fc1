import type { Grey, Picture } from '../imaging/grey';
import type { Quad } from '../measure/homography';

/** A barcode or 2D code that was decoded. */
export interface SeenSymbol {
  /** As the decoder names it: EAN13, DataMatrix … */
  format: string;
  text: string;
  /** Its corners in px, from the upper left as it is read. */
  corners: Quad;
}

/** A word read as figures, without letters. */
export interface Figures {
  text: string;
  confidence: number;
}

/** A word on something that lies flat, in px. */
export interface FlatWord {
  text: string;
  /** 0 to 1. */
  confidence: number;
  /** What it says where there are figures alone, for a short one that was not read surely as anything. */
  figures?: Figures;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How text stands: `lines`, runs of one height under each other; `figures`, the same without letters; `page`, anywhere. */
export type Sheet = 'lines' | 'figures' | 'page';

/** What looks at pixels: libraries in a worker of the browser, or on the server in tests and benches. */
export interface Eyes {
  symbols(picture: Picture | Grey): Promise<SeenSymbol[]>;
  words(grey: Grey, as: Sheet): Promise<FlatWord[]>;
}
