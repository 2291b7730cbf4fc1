import { readHouseRules } from '@/desk/houseRules';
import { HouseView } from '@/ui/house/HouseView';
import { atDesk } from '../desk';

export default async function HousePage() {
  const { rules, revision } = await readHouseRules((await atDesk()).desk);
  return <HouseView key={revision} rules={rules} revision={revision} zones={Intl.supportedValuesOf('timeZone')} />;
}
