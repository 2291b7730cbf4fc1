/** The place of a kind of goods where what the seller says stands. */
export const LISTING = 'listing';

/** The fields of a listing, in the order in which they are filled in. */
export const FIELDS = [
  { fact: 'priceAsked', label: 'Price asked', example: 'EUR 90.00', mono: true },
  { fact: 'priceStruck', label: 'Price crossed out', example: 'EUR 180.00', mono: true },
  { fact: 'boughtOn', label: 'Bought on', example: 'June 2025', mono: true },
  { fact: 'boughtWhere', label: 'Bought in', example: 'market or shop', mono: false },
  { fact: 'sizesOffered', label: 'Sizes on offer', example: '41, 42 x 2', mono: true },
  { fact: 'included', label: 'Comes with', example: 'box, receipt', mono: false },
  { fact: 'model', label: 'Model, as listed', example: '', mono: false },
  { fact: 'colourName', label: 'Colour, as listed', example: '', mono: false },
  { fact: 'styleCode', label: 'Style code, as listed', example: '', mono: true },
] as const;

export const SAYS = 'sellerSays';
