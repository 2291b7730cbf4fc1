import 'server-only';
import { Refusal } from '@/desk/refusal';

/** The bytes of a request as they arrive. @param what is sent, for the sentence that says it broke off */
export async function* arriving({ body }: Request, what: string): AsyncGenerator<Uint8Array> {
  if (!body) return;
  try {
    for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) yield chunk;
  } catch {
    throw new Refusal('invalid', `The ${what} did not arrive whole, so it is not kept. Send it again.`);
  }
}
