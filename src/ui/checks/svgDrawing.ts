import type { Drawing } from '@/core/checks/check';

const BOX = '0 0 120 80';
const PATH = /^[MLHVCSQTAZmlhvcsqtaz0-9 ,.-]+$/;

const round = (value: number): string => String(Number(value.toFixed(2)));

/** The path of an SVG shape; null for what a schematic drawing has no use for. */
function pathOf(shape: Element): string | null {
  const at = (name: string) => Number.parseFloat(shape.getAttribute(name) ?? '0') || 0;
  const points = (shape.getAttribute('points') ?? '').trim().replace(/[\s,]+/g, ' ');
  switch (shape.tagName.toLowerCase()) {
    case 'path':
      return (shape.getAttribute('d') ?? '').replace(/\s+/g, ' ').trim();
    case 'line':
      return `M${at('x1')} ${at('y1')} L${at('x2')} ${at('y2')}`;
    case 'polyline':
      return `M${points}`;
    case 'polygon':
      return `M${points} Z`;
    case 'rect':
      return `M${at('x')} ${at('y')} h${at('width')} v${at('height')} h${-at('width')} Z`;
    case 'circle':
    case 'ellipse': {
      const [rx, ry] = [at('rx') || at('r'), at('ry') || at('r')];
      const [left, right] = [round(at('cx') - rx), round(at('cx') + rx)];
      return `M${left} ${at('cy')} A${rx} ${ry} 0 1 0 ${right} ${at('cy')} A${rx} ${ry} 0 1 0 ${left} ${at('cy')} Z`;
    }
    default:
      return null;
  }
}

/**
 * A drawing out of an SVG file whose view box is 120 by 80: its lines, thick from a stroke of 2 on, filled where it
 * has a fill.
 *
 * @throws Error with a sentence where the file is none, has another box, or holds what a drawing cannot
 */
export function drawingOfSvg(text: string, parser: DOMParser = new DOMParser()): Drawing {
  const svg = parser.parseFromString(text, 'image/svg+xml').documentElement;
  if (svg.tagName.toLowerCase() !== 'svg' || svg.getElementsByTagName('parsererror').length > 0)
    throw new Error('This is no SVG file.');
  const box = svg
    .getAttribute('viewBox')
    ?.trim()
    .replace(/[\s,]+/g, ' ');
  if (box !== BOX) throw new Error(`The drawing’s view box is “${box ?? 'not given'}”; it has to be “${BOX}”.`);
  if (svg.querySelector('[transform]')) throw new Error('The drawing holds transforms; flatten them first.');
  const lines = [...svg.querySelectorAll('path, line, polyline, polygon, rect, circle, ellipse')].map((shape) => {
    const d = pathOf(shape) ?? '';
    if (d === '' || d.length > 400 || !PATH.test(d))
      throw new Error(`A ${shape.tagName} of the drawing is empty, too long, or not written as a plain path.`);
    const thick = Number.parseFloat(shape.getAttribute('stroke-width') ?? '1') >= 2;
    const filled = (shape.getAttribute('fill') ?? 'none') !== 'none';
    return { d, ...(thick && { thick }), ...(filled && { filled }) };
  });
  if (lines.length === 0 || lines.length > 30) throw new Error('A drawing has between 1 and 30 lines.');
  return { lines };
}

/** A drawing as an SVG file, to be changed in any drawing program and read again. */
export function svgOfDrawing({ lines }: Drawing): string {
  const paths = lines.map(
    ({ d, thick, filled }) =>
      `  <path d="${d}" fill="${filled ? '#333' : 'none'}" stroke="#333" stroke-width="${thick ? 2.4 : 1.2}"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${BOX}">\n${paths.join('\n')}\n</svg>\n`;
}
