import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';

export default async function MakerRevisionsPage(asked: AskedRevisions) {
  const { body, ...compared } = await comparedAt('maker', asked);
  const at = `/makers/${body.id}`;
  return (
    <RevisionsView {...compared} title={<strong className="font-semibold">{body.name}</strong>} back={at} editor={at} />
  );
}
