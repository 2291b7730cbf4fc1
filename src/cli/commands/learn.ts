import { learnPending } from '@/desk/learning';
import { FINE } from '../outcome';
import { withDesk } from '../withDesk';

/** Learn from confirmed cases what is noted to be learned. */
export async function learn(): Promise<number> {
  await withDesk(learnPending);
  return FINE;
}
