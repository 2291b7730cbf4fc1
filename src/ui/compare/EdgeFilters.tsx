import { EDGE_FILTERS } from './useLaying';

/** How much steeper an edge is drawn than it is. */
const STRENGTH = 3.4;
const LIGHT = '.3 .59 .11 0 0';

/** The filters that draw the edges of a picture and nothing else. */
export function EdgeFilters() {
  return (
    <svg width={0} height={0} className="absolute" aria-hidden>
      {Object.values(EDGE_FILTERS).map(({ id, red, green, blue }) => {
        const row = (share: number) => `${(STRENGTH * share).toFixed(2)} 0 0 0 0`;
        return (
          <filter key={id} id={id} colorInterpolationFilters="sRGB" x="0" y="0" width="1" height="1">
            <feColorMatrix type="matrix" values={`${LIGHT} ${LIGHT} ${LIGHT} 0 0 0 1 0`} />
            <feGaussianBlur stdDeviation="0.8" />
            <feConvolveMatrix order="3" kernelMatrix="-1 -1 -1 -1 8 -1 -1 -1 -1" preserveAlpha="true" />
            <feColorMatrix type="matrix" values={`${row(red)} ${row(green)} ${row(blue)} 0 0 0 1 0`} />
          </filter>
        );
      })}
    </svg>
  );
}
