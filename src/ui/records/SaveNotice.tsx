/** What stands in the way of saving a record, and what came of the last try. */
export function SaveNotice({ wrong, message, failed }: { wrong: string[]; message: string; failed: boolean }) {
  return (
    <>
      {message && (
        <p role={failed ? 'alert' : 'status'} className={failed ? 'text-differs' : 'text-agrees'}>
          {message}
        </p>
      )}
      {wrong.length > 0 && (
        <section aria-label="Before it can be saved">
          <h2 className="mb-1 border-b pb-1 text-[15px] font-semibold">Before it can be saved</h2>
          <ul className="grid gap-1.5 text-differs">
            {wrong.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
