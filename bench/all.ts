import { benchAssess } from './assess';
import { allMet } from './bar';
import { benchChains } from './chains';
import { benchDay } from './day';
import { benchGrowth } from './growth';
import { benchHand } from './hand';
import { benchImport } from './import/import';
import { benchInstruments } from './instruments';
import { benchJudgement } from './judgement/judgement';
import { benchLabelReader } from './labelReader';
import { benchLabels } from './labels';
import { benchLoad } from './load';
import { benchMatch } from './match';
import { benchOutlines } from './outlines';
import { benchPacks } from './packs';
import { benchRegister } from './register';

const BENCHES: Record<string, () => void | Promise<void>> = {
  labels: benchLabels,
  'label-reader': benchLabelReader,
  instruments: benchInstruments,
  outlines: benchOutlines,
  match: benchMatch,
  chains: benchChains,
  register: benchRegister,
  assess: benchAssess,
  judgement: benchJudgement,
  hand: benchHand,
  load: benchLoad,
  growth: benchGrowth,
  packs: benchPacks,
  import: benchImport,
  day: benchDay,
};

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !BENCHES[name]);
if (unknown.length > 0) {
  console.error(`There is no bench “${unknown.join('”, “')}”. There are: ${Object.keys(BENCHES).join(', ')}.`);
  process.exit(2);
}
for (const name of asked.length > 0 ? asked : Object.keys(BENCHES)) await BENCHES[name]?.();
if (!allMet) process.exitCode = 1;
