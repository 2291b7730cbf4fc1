import { KeyLink } from '../records/KeyLink';
import { RecordTabs } from '../records/RecordTabs';

/** A release belongs to a maker, and this desk knows none. */
export function NoMakerYet() {
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-4">
      <RecordTabs />
      <h1 className="mb-2 text-[22px] font-semibold">A new release record</h1>
      <p className="mb-3 max-w-[60ch]">
        A release belongs to a maker, whose barcode numbers, style codes and dates are written in one way. This desk
        knows none yet.
      </p>
      <KeyLink hotkey="n" href="/makers/new">
        Add the maker
      </KeyLink>
    </main>
  );
}
