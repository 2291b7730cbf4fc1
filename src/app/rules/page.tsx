import { listKinds } from '@/desk/checks';
import { checksByKind, readHouseRules } from '@/desk/houseRules';
import { RulesView } from '@/ui/rules/RulesView';
import { atDesk } from '../desk';

export default async function RulesPage() {
  const { desk } = await atDesk();
  const [{ rules, revision }, checks, kinds] = [
    await readHouseRules(desk),
    await checksByKind(desk),
    await listKinds(desk),
  ];
  return (
    <RulesView
      key={revision}
      rules={rules}
      revision={revision}
      kinds={kinds.map(({ id, name }) => ({
        id,
        name,
        checks: (checks[id] ?? []).map((check) => ({ id: check.id, name: check.name })),
      }))}
    />
  );
}
