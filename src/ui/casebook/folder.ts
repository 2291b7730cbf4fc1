import type { CaseEvent } from '@/core/casefile/event';
import type { ChainCheck } from '@/core/casefile/hash';
import type { KindDefinition } from '@/core/checks/check';
import type { Grounds } from '@/core/judgement/assess';
import type { HouseRules } from '@/core/judgement/houseRules';
import type { Maker, Release, Revision } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';

/** A case as the server hands it to the screen. */
export interface CaseFolderView {
  id: string;
  number: string;
  events: CaseEvent[];
  grounds: {
    kind: Revision<KindDefinition>;
    houseRules: Revision<HouseRules>;
    release: Revision<Release> | null;
    maker: Revision<Maker> | null;
    chart: Revision<SizeChart> | null;
  };
  chain: ChainCheck;
}

/** The contents of the case's documents, as the assessment takes them. */
export function groundsOf({ grounds }: CaseFolderView): Grounds {
  const { kind, houseRules, release, maker, chart } = grounds;
  return {
    kind: kind.body,
    houseRules: houseRules.body,
    release: release?.body ?? null,
    maker: maker?.body ?? null,
    chart: chart?.body ?? null,
  };
}
