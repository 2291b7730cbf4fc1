import { notFound } from 'next/navigation';
import { readCheckRecords } from '@/desk/checks';
import { CheckPage } from '@/ui/checks/CheckPage';
import { atDesk, orNotFound } from '../../../desk';

export default async function OneCheckPage({ params }: { params: Promise<{ kind: string; id: string }> }) {
  const { kind, id } = await params;
  const {
    kind: definition,
    records,
    revision,
    addedBy,
  } = await orNotFound(readCheckRecords((await atDesk()).desk, kind));
  const record = records.find(({ check }) => check.id === decodeURIComponent(id));
  if (!record) notFound();
  const { layers, strands } = definition;
  return (
    <CheckPage
      key={`${id}/${revision}`}
      kind={{ id: definition.id, name: definition.name, layers, strands }}
      record={record}
      release={addedBy[record.check.id] ?? null}
    />
  );
}
