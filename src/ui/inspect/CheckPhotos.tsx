'use client';
import { Camera, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { useCaseBook } from '../casebook/CaseBook';
import { DropArea } from '../pictures/DropArea';
import { keepPicture, PICTURE_TYPES } from '../pictures/keepPicture';
import { Thumbnail } from '../pictures/Thumbnail';
import { usePastedPictures } from '../pictures/usePastedPictures';

/** Photographs of one check: chosen, dropped or pasted. */
export function CheckPhotos({ check, readOnly }: { check: string; readOnly: boolean }) {
  const { file, record } = useCaseBook();
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const own = file.photos.filter((photo) => photo.check === check);
  const add = async (files: File[]) => {
    setBusy(true);
    setTrouble('');
    for (const each of files) {
      try {
        const kept = await keepPicture(each);
        if (!file.photos.some(({ sha256 }) => sha256 === kept.sha256))
          record('photoAdded', { ...kept, name: each.name.slice(0, 120) || 'photograph', check });
      } catch (error) {
        setTrouble(`${each.name}: ${(error as Error).message}`);
      }
    }
    setBusy(false);
  };
  const chooser = useRef<HTMLInputElement>(null);
  usePastedPictures(!readOnly, (files) => void add(files));
  if (readOnly && own.length === 0) return null;
  return (
    <DropArea disabled={readOnly} onPictures={(files) => void add(files)} onTrouble={setTrouble}>
      <div className="flex flex-wrap items-center gap-2">
        {own.map(({ sha256, name }) => (
          <span key={sha256} className="relative">
            <Thumbnail sha256={sha256} name={name} />
            {!readOnly && (
              <button
                type="button"
                aria-label={`Take ${name} off the case`}
                onClick={() => record('photoWithdrawn', { sha256 })}
                className="absolute top-0 right-0 flex size-7 items-center justify-center bg-sheet/80 text-ink"
              >
                <X size={14} aria-hidden />
              </button>
            )}
          </span>
        ))}
        {!readOnly && (
          <button
            type="button"
            onClick={() => chooser.current?.click()}
            disabled={busy}
            className="inline-flex min-h-9 items-center gap-2 text-[14px] text-accent underline-offset-4 hover:underline"
          >
            <Camera size={15} aria-hidden /> {busy ? 'Keeping it' : 'Photograph: choose, drop or paste'}
          </button>
        )}
      </div>
      <input
        ref={chooser}
        type="file"
        hidden
        multiple
        accept={Object.keys(PICTURE_TYPES).join()}
        aria-label="Photograph"
        onChange={({ target }) => {
          void add([...(target.files ?? [])]);
          target.value = '';
        }}
      />
      {trouble && (
        <p role="alert" className="mt-1 text-differs">
          {trouble}
        </p>
      )}
    </DropArea>
  );
}
