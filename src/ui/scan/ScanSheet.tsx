'use client';
import { useCaseBook, useScans } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Sheet } from '../controls/Sheet';

/** Asked before a scan changes what was read, or says that the item is another product. */
export function ScanSheet() {
  const { number, grounds } = useCaseBook();
  const { question, keep, openOther, dismiss } = useScans();
  if (!question) return null;
  const { raw, before, belongsTo, place } = question;
  const where = grounds.kind.places.find(({ id }) => id === place)?.name.toLowerCase() ?? place;
  const size = belongsTo?.sizeKey ? `, size ${belongsTo.sizeKey}` : '';
  const title = belongsTo
    ? `This is ${belongsTo.makerName} ${belongsTo.name}, “${belongsTo.colourName}”${size}`
    : 'Another code was read there';
  return (
    <Sheet open onOpenChange={(open) => !open && dismiss()} title={title}>
      <p>
        <span className="font-mono">{raw.slice(0, 60)}</span>
        {belongsTo ? ` is the number of another product (${belongsTo.styleCode}).` : ' was scanned.'}
        {before && (
          <>
            {' '}
            On the {where} of {number} stands <span className="font-mono">{before.raw.slice(0, 60)}</span>.
          </>
        )}
      </p>
      <div className="mt-5 flex flex-wrap gap-2">
        <Button look="act" autoFocus onClick={openOther}>
          Another item: open a case <Key>Enter</Key>
        </Button>
        <Button onClick={keep}>{number} really carries it</Button>
        <Button look="quiet" onClick={dismiss}>
          Put the scan away <Key>Esc</Key>
        </Button>
      </div>
    </Sheet>
  );
}
