import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';

export default async function KindRevisionsPage({
  params,
  searchParams,
}: Pick<AskedRevisions, 'searchParams'> & { params: Promise<{ kind: string }> }) {
  const { body, ...compared } = await comparedAt('kind', {
    params: params.then(({ kind: id }) => ({ id })),
    searchParams,
  });
  const at = `/checks/${body.id}`;
  const checkNames = Object.fromEntries(body.checks.map(({ id, name }) => [id, name]));
  return (
    <RevisionsView
      {...compared}
      title={<strong className="font-semibold">{body.name}</strong>}
      back={at}
      editor={`${at}/frame`}
      checkNames={checkNames}
    />
  );
}
