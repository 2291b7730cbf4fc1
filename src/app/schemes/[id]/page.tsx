import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { readRecord } from '@/desk/records';
import { listCodeSchemes, listMakers } from '@/desk/releases';
import { SchemeEditor } from '@/ui/schemes/SchemeEditor';
import { orNotFound, theDesk } from '../../desk';

/** What a new scheme begins with: the commonest form, a year and a counter. */
const blank = (maker: string): CodeScheme => ({
  id: '',
  maker,
  name: '',
  fact: 'batchCode',
  from: null,
  until: null,
  segments: [
    { name: 'year', type: 'year', form: 'YY' },
    { name: 'number', type: 'counter', min: 3, max: 3 },
  ],
  examples: [],
  source: '',
});

export default async function SchemePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const desk = await theDesk();
  const [schemes, makers] = [await listCodeSchemes(desk), await listMakers(desk)];
  const { body, revision } =
    id === 'new'
      ? { body: blank(makers[0]?.id ?? ''), revision: 0 }
      : await orNotFound(readRecord<CodeScheme>(desk, 'code-scheme', id));
  return (
    <SchemeEditor
      key={`${id}/${revision}`}
      scheme={body}
      revision={revision}
      others={schemes.filter((each) => each.id !== body.id)}
      makers={makers.map(({ id: maker, name }) => ({ id: maker, name }))}
      today={new Date().toISOString().slice(0, 10)}
    />
  );
}
