import bwipjs from 'bwip-js/node';

/** A Code 128 as the path of an SVG, one unit a module wide and one high, with its width; quiet zones are the caller's. */
export function code128Bars(text: string): { d: string; width: number } {
  const [{ sbs }] = bwipjs.raw({ bcid: 'code128', text }) as unknown as [{ sbs: number[] }];
  let [at, d] = [0, ''];
  for (const [i, modules] of sbs.entries()) {
    if (i % 2 === 0) d += `M${at} 0h${modules}v1h${-modules}z`;
    at += modules;
  }
  return { d, width: at };
}
