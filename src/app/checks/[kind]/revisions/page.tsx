import { RevisionsView } from '@/ui/records/RevisionsView';
import { type AskedRevisions, comparedAt } from '../../../comparedAt';

export default async function KindRevisionsPage({
  params,
  searchParams,
}: Pick<AskedRevisions, 'searchParams'> & { params: Promise<{ kind: string }> }) {
  const { body, changes, ...compared } = await comparedAt('kind', {
    params: params.then(({ kind: id }) => ({ id })),
    searchParams,
  });
  const at = `/checks/${body.id}`;
  const checkNames = Object.fromEntries(body.checks.map(({ id, name }) => [id, name]));
  return (
    <RevisionsView
      {...compared}
      // By which program's version the kind was brought up to date changes nothing that it asks.
      changes={changes.filter(({ where: [field] }) => field !== 'began')}
      title={<strong className="font-semibold">{body.name}</strong>}
      back={at}
      editor={`${at}/frame`}
      checkNames={checkNames}
    />
  );
}
