/** Symbology identifiers of plain barcodes, which hold a number and nothing else. */
const PLAIN_SYMBOLOGY = /^\](?:E\d|[CA]0|I\d)(?=\d+$)/;

/** A scan without what the scanner put before it. */
export const unprefixed = (raw: string): string => raw.trim().replace(PLAIN_SYMBOLOGY, '');
