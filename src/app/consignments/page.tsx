import { listKinds } from '@/desk/checks';
import { consignments } from '@/desk/consignments';
import { everybody } from '@/desk/people/roster';
import { ConsignmentsView } from '@/ui/consignments/ConsignmentsView';
import { atDesk } from '../desk';

export default async function ConsignmentsPage() {
  const { desk } = await atDesk();
  const [lines, people, kinds] = await Promise.all([consignments(desk), everybody(desk), listKinds(desk)]);
  return (
    <ConsignmentsView
      lines={lines}
      people={people.filter(({ retired }) => !retired)}
      kinds={kinds.map(({ id, name }) => ({ value: id, label: name }))}
    />
  );
}
