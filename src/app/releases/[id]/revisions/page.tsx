import { namesOfChecks } from '@/desk/releases';
import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';
import { atDesk } from '../../../desk';

export default async function ReleaseRevisionsPage(asked: AskedRevisions) {
  const { body, ...compared } = await comparedAt('release', asked);
  const at = `/releases/${body.id}`;
  const title = (
    <>
      <strong className="font-semibold">{body.name}</strong>, {body.colourName}{' '}
      <span className="font-mono text-[17px] text-soft">{body.styleCode}</span>
    </>
  );
  const checkNames = await namesOfChecks((await atDesk()).desk, body);
  return <RevisionsView {...compared} title={title} back={at} editor={`${at}/edit`} checkNames={checkNames} />;
}
