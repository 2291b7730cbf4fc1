import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';

export default async function SchemeRevisionsPage(asked: AskedRevisions) {
  const { body, ...compared } = await comparedAt('code-scheme', asked);
  const at = `/schemes/${body.id}`;
  return (
    <RevisionsView {...compared} title={<strong className="font-semibold">{body.name}</strong>} back={at} editor={at} />
  );
}
