import type { Parameters, SpecimenKind } from '../specimenKind';
import { engravedBase, printedBase } from './bottleBase';
import { boxFace } from './boxFace';
import { boxLabel } from './boxLabel';
import { boxPrint } from './boxPrint';
import { colourPatches } from './colourPatches';
import { dotFade } from './dotFade';
import { embossedEmblem, embroideredEmblem } from './emblem';
import { figureFoot } from './figureFoot';
import { hangTag } from './hangTag';
import { innerLabel } from './innerLabel';
import { patternPanel } from './patternPanel';
import { quilting } from './quilting';
import { seam } from './seam';
import { soleLetters } from './soleLetters';
import { qualitySticker, sizeSticker } from './stickers';
import { taxStrip } from './taxStrip';

// Each kind has figures of its own; whoever walks the list hands them back as they came.
const kind = <P extends Parameters>(each: SpecimenKind<P>): SpecimenKind => each as unknown as SpecimenKind;

/** Every kind of specimen. */
export const SPECIMEN_KINDS: SpecimenKind[] = [
  kind(boxLabel),
  kind(innerLabel),
  kind(hangTag),
  kind(sizeSticker),
  kind(qualitySticker),
  kind(boxPrint),
  kind(printedBase),
  kind(engravedBase),
  kind(figureFoot),
  kind(taxStrip),
  kind(patternPanel),
  kind(seam),
  kind(quilting),
  kind(embroideredEmblem),
  kind(embossedEmblem),
  kind(soleLetters),
  kind(dotFade),
  kind(boxFace),
  kind(colourPatches),
];
