'use client';
import { useState } from 'react';
import type { PictureRequest, RequestState } from '@/core/casefile/events/pictureAsked';
import { formatDay } from '@/core/dates/day';
import { useCaseBook } from '../casebook/CaseBook';
import { Button } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { TextField } from '../controls/TextField';
import type { SamePictureView } from './useSamePictures';

const WORDS: Record<RequestState, string> = {
  wanted: 'asked for',
  received: 'received',
  usable: 'usable',
  notUsable: 'not usable',
  refused: 'refused',
};

const NO_PICTURE = 'none';

/** One picture that was asked for, and what became of it. */
export function RequestLine({
  request,
  same,
  may,
}: {
  request: PictureRequest;
  /** Other cases that have the picture which was sent. */
  same: SamePictureView[] | undefined;
  may: boolean;
}) {
  const { file, record } = useCaseBook();
  const [asksWhy, setAsksWhy] = useState<'notUsable' | 'refused' | null>(null);
  const [why, setWhy] = useState('');
  const { name, state, asked, sha256 } = request;
  const answer = (next: RequestState, more: { why?: string; sha256?: string } = {}) =>
    record('pictureAnswered', { request: request.request, state: next, ...more });
  const photos = [
    { value: NO_PICTURE, label: 'which picture?' },
    ...file.photos.map((photo) => ({ value: photo.sha256, label: photo.name || 'picture' })),
  ];
  return (
    <div className="border-b py-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="min-w-44 flex-1">
          <strong className="font-semibold">{name}</strong>
          <span className="text-soft">
            {' '}
            · {WORDS[state]}
            {state === 'wanted' ? ` ${formatDay(asked.at.slice(0, 10))}` : ''}
            {request.why ? `: ${request.why}` : ''}
          </span>
        </span>
        {may && state === 'wanted' && (
          <>
            {file.photos.length > 0 && (
              <Choice
                label={`Picture that came for ${name}`}
                value={NO_PICTURE}
                options={photos}
                onChange={(hash) => hash !== NO_PICTURE && answer('received', { sha256: hash })}
              />
            )}
            <Button onClick={() => answer('received')}>Received</Button>
            <Button onClick={() => setAsksWhy('refused')}>Refused</Button>
          </>
        )}
        {may && state === 'received' && (
          <>
            <Button onClick={() => answer('usable')}>Usable</Button>
            <Button onClick={() => setAsksWhy('notUsable')}>Not usable</Button>
          </>
        )}
        {may && state !== 'wanted' && (
          <Button look="quiet" onClick={() => answer('wanted')}>
            Take back
          </Button>
        )}
      </div>
      {asksWhy && (
        <form
          className="mt-1 flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            answer(asksWhy, why.trim() ? { why: why.trim() } : {});
            setAsksWhy(null);
          }}
        >
          <TextField
            autoFocus
            wide
            label={asksWhy === 'refused' ? 'What was said instead' : 'Not usable because'}
            placeholder={asksWhy === 'refused' ? 'no time, “trust me”' : 'blurred, cut off, another item'}
            maxLength={400}
            value={why}
            onChange={({ target }) => setWhy(target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setAsksWhy(null)}
          />
          <Button type="submit" look="act">
            Note it
          </Button>
        </form>
      )}
      {sha256 && same && same.length > 0 && (
        <p role="alert" className="mt-1 text-[13px] text-differs">
          {same
            .map(
              ({ number, same: whole }) => `${whole ? 'The very picture' : 'Nearly the same picture'} is in ${number}`,
            )
            .join('; ')}
          .
        </p>
      )}
    </div>
  );
}
