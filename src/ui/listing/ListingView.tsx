'use client';
import { useScans } from '../casebook/CaseBook';
import { useWedge } from '../scan/useWedge';
import { DealPart } from './DealPart';
import { OfferPart } from './OfferPart';
import { PricePart } from './PricePart';
import { RequestsPart } from './RequestsPart';
import { SellerPart } from './SellerPart';
import { usePicturesAhead } from './usePicturesAhead';

/** What the seller says and asks, what that is worth, and the pictures to ask for. */
export function ListingView({ today }: { today: string }) {
  const scans = useScans();
  useWedge((text) => scans.take(text), { onBroken: scans.broken });
  const ahead = usePicturesAhead();
  return (
    <main className="mx-auto grid max-w-[1360px] grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)_300px] gap-x-8 gap-y-7 px-5 py-4 max-[1100px]:grid-cols-2 max-md:grid-cols-1">
      <OfferPart today={today} />
      <PricePart today={today} />
      <aside className="grid content-start gap-6 max-[1100px]:col-span-full max-[1100px]:grid-cols-2 max-md:grid-cols-1">
        <DealPart ahead={ahead} />
        <SellerPart />
      </aside>
      <RequestsPart ahead={ahead} />
    </main>
  );
}
