import { endPhone, type LineAddress, openPhone, phoneFor, watchPhone } from '@/desk/phone/phone';
import { qrPath } from '@/desk/report/qrPath';
import { phoneAddresses } from '../../../../phoneAddresses';
import { eventStream } from '../../../eventStream';
import { atDesk, bodyJson, complaint, respond } from '../../../respond';

type Params = { params: Promise<{ number: string }> };

/** POST: the line by which a phone adds pictures to this case; `fresh` for a new address. */
export async function POST(request: Request, { params }: Params): Promise<Response> {
  return respond(async (): Promise<LineAddress> => {
    const { desk, me } = await atDesk();
    const { fresh } = await bodyJson<{ fresh?: boolean }>(request);
    const { token, ...line } = await phoneFor(desk, me.id, (await params).number, fresh === true);
    const { headers } = request;
    const tls = headers.get('x-forwarded-proto') === 'https' || headers.get('origin')?.startsWith('https:');
    const path = `/phone/${token}`;
    const addresses = phoneAddresses(headers.get('host') ?? '', tls ? 'https:' : 'http:', path);
    return { ...line, path, addresses, code: addresses[0] ? qrPath(addresses[0]) : null };
  });
}

/** DELETE: end the line. */
export async function DELETE(_: Request, { params }: Params): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    await endPhone(desk, me.id, (await params).number);
    return {};
  });
}

/** GET: what comes by the line, as server-sent events, until it is over. */
export async function GET(request: Request, { params }: Params): Promise<Response> {
  try {
    const { desk } = await atDesk();
    const { number } = await params;
    if (!openPhone(desk, number)) return new Response(null, { status: 204 });
    return eventStream(request, (send, close) => {
      const stop = watchPhone(desk, number, (news) => {
        send(news);
        if ('over' in news) close();
      });
      return stop ?? (() => {});
    });
  } catch (error) {
    return complaint(error);
  }
}
