import { fillDemo } from '@/demo/fillDemo';
import { greeting, makeOwner } from '@/desk/people/signIn';
import { FINE, type Options } from '../outcome';
import { withDesk } from '../withDesk';

export async function prepare(_: string, { demo, 'no-history': plain }: Options): Promise<number> {
  const laidOut = await withDesk(async (desk) => {
    if (desk.store.looking) return 0;
    const cases = demo ? await fillDemo(desk, { history: !plain }) : 0;
    const { PINPRICK_OWNER: name, PINPRICK_OWNER_PASSPHRASE: passphrase } = process.env;
    if (name && passphrase && (await greeting(desk)).first) await makeOwner(desk, name, passphrase);
    return cases;
  });
  process.stderr.write(
    laidOut > 0 ? `The demo world is laid out: ${laidOut} cases.\n` : 'The data directory is ready.\n',
  );
  return FINE;
}
