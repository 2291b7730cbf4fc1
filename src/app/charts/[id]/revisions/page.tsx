import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';

export default async function ChartRevisionsPage(asked: AskedRevisions) {
  const { body, ...compared } = await comparedAt('size-chart', asked);
  const at = `/charts/${body.id}`;
  return (
    <RevisionsView {...compared} title={<strong className="font-semibold">{body.name}</strong>} back={at} editor={at} />
  );
}
