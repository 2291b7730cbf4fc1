import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import schemes from './codeSchemes.json';

/** How the demo makers write their codes; two of them changed it. */
export const SCHEMES = schemes as CodeScheme[];
