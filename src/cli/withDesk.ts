import { type Desk, openDesk } from '@/desk/desk';

/** The data directory. */
export const DATA = process.env.PINPRICK_DATA ?? './data';

/** Work at the desk of the data directory, and leave it. */
export async function withDesk<T>(work: (desk: Desk) => Promise<T>): Promise<T> {
  const desk = await openDesk(DATA);
  try {
    return await work(desk);
  } finally {
    await desk.store.close();
  }
}
