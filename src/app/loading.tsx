/** Shown while a page is on its way, and only then. */
export default function Loading() {
  return (
    <main className="mx-auto max-w-[1360px] px-5 py-10 text-soft" aria-busy="true">
      Fetching…
    </main>
  );
}
