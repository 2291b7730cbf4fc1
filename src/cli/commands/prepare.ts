import { fillDemo } from '@/demo/fillDemo';
import { FINE, type Options } from '../outcome';
import { withDesk } from '../withDesk';

export async function prepare(_: string, { demo, 'no-history': plain }: Options): Promise<number> {
  const laidOut = await withDesk((desk) => (demo ? fillDemo(desk, { history: !plain }) : Promise.resolve(0)));
  process.stderr.write(
    laidOut > 0 ? `The demo world is laid out: ${laidOut} cases.\n` : 'The data directory is ready.\n',
  );
  return FINE;
}
