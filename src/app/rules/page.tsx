import { listKinds } from '@/desk/checks';
import { checksByKind, readHouseRules, readLearned } from '@/desk/houseRules';
import { RulesView } from '@/ui/rules/RulesView';
import { atDesk } from '../desk';

export default async function RulesPage() {
  const { desk } = await atDesk();
  const [{ rules, revision }, checks, kinds, learned] = [
    await readHouseRules(desk),
    await checksByKind(desk),
    await listKinds(desk),
    await readLearned(desk),
  ];
  return (
    <RulesView
      key={revision}
      rules={rules}
      revision={revision}
      learned={learned}
      kinds={kinds.map(({ id, name }) => ({
        id,
        name,
        checks: (checks[id] ?? []).map((check) => ({ id: check.id, name: check.name })),
      }))}
    />
  );
}
