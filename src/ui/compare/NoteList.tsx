import type { PictureNote } from '@/core/casefile/events/pictureNoted';
import { useCaseBook } from '../casebook/CaseBook';
import { RemoveButton } from '../controls/RemoveButton';

/** The notes on a picture, in words. */
export function NoteList({
  notes,
  onRemove,
}: {
  notes: PictureNote[];
  onRemove: ((note: PictureNote) => void) | null;
}) {
  const { nameOf } = useCaseBook();
  return (
    <ul aria-label="Notes on the picture" className="max-h-16 overflow-y-auto text-[14px]">
      {notes.map((each) => (
        <li key={each.note} className="flex items-center gap-2">
          <span>
            {each.text} <span className="text-soft">{nameOf(each.by)}</span>
          </span>
          {onRemove && <RemoveButton label={`Take away “${each.text}”`} onClick={() => onRemove(each)} />}
        </li>
      ))}
    </ul>
  );
}
