/** Modules of ground around a QR code, without which no camera finds it. */
const QUIET = 4;

/**
 * A QR code, dark on light in the dim room too: a camera has to read it.
 *
 * @param code as `desk/report/qrPath` gives it: a path of one unit a module
 * @param label what it says, for whoever cannot see it
 */
export function QrCode({
  code,
  label,
  className,
}: {
  code: { d: string; size: number };
  label: string;
  className: string;
}) {
  const side = code.size + 2 * QUIET;
  return (
    <svg
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
      className={`shrink-0 bg-white ${className}`}
      role="img"
      aria-label={label}
    >
      <path d={code.d} fill="#13201a" />
    </svg>
  );
}
