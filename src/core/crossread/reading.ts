import type { Element } from '../codes/elementString';
import type { EpcReading } from '../codes/epc';
import type { GtinReading } from '../codes/gtin';
import type { Decoded } from '../codes/schemes/decode';
import type { Stop } from '../codes/schemes/parse';
import type { SchemeRepair } from '../codes/schemes/repair';
import type { DayInterval } from '../dates/interval';
import type { ProductionWindow } from '../dates/productionWindow';
import type { BoxDimensions } from '../releases/release';

/** Why a code fits none of its maker's schemes. */
export interface Misfit {
  /** The scheme that comes nearest. */
  scheme: string;
  stop: Stop;
  repairs: SchemeRepair[];
  /** Not every repair was tried. */
  bounded?: boolean;
}

/** A printed fact in the form in which it is compared. */
export interface FactReading {
  normal: string;
  /** In the grouping of its kind, for the screen. */
  display: string;
  /** The person was not sure of it: it is shown and compared, and counts for nothing. */
  uncertain?: boolean;
  /** Every piece of its kind carries the same: meeting it again tells nothing. */
  recurs?: boolean;
  /** What the text says beyond itself, for people. */
  says?: string;
  gtin?: GtinReading;
  /**
   * It can be read so that it fits, but only in a way in which its maker is not known to print: why it speaks
   * neither for nor against the item.
   */
  moot?: string;
  /** All windows that the orders of its maker leave open, the likeliest first. */
  windows?: ProductionWindow[];
  /** Windows in orders that its maker is not known to print: used only where no other reading will do. */
  otherWindows?: ProductionWindow[];
  /** When it expires, every stretch of days that the text allows. */
  expires?: DayInterval[];
  /** The maker's schemes that the code fits, the best first. */
  decoded?: Decoded[];
  misfit?: Misfit;
  /** Every stretch of days that the text names as its date. */
  made?: DayInterval[];
  epc?: EpcReading;
  elements?: Element[];
  dimensions?: BoxDimensions;
  /** Key of the size that it stands for. */
  sizeKey?: string;
}

export type FactResult =
  | { reading: FactReading; failure?: undefined }
  | { reading?: undefined; failure: { sentence: string; impossible: boolean } };

/** The text cannot be read as this fact; `impossible` where the form is right and the content cannot be. */
export const fails = (sentence: string, impossible = false): FactResult => ({ failure: { sentence, impossible } });
