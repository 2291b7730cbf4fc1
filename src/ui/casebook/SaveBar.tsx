'use client';
import type { CaseEvent } from '@/core/casefile/event';
import { Button } from '../controls/Button';
import { useProve } from '../people/Me';
import { useCaseBook, useSaving } from './CaseBook';

function deed({ type, body }: CaseEvent): string {
  switch (type) {
    case 'factRead':
      return `read ${body.fact} on ${body.place}: “${body.raw}”`;
    case 'findingRecorded':
      return `answered ${body.check}: ${body.choice ?? body.value ?? body.outcome}`;
    case 'findingExcused':
      return `excused ${body.check}`;
    case 'verdictSealed':
      return 'sealed the verdict';
    case 'reopened':
      return `reopened the case: ${body.reason}`;
    default:
      return type;
  }
}

/** Shown only while something is not saved: why, and what can be done about it. Nothing typed is lost. */
export function SaveBar() {
  const { nameOf, refused } = useCaseBook();
  const prove = useProve();
  const { trouble, pending, retry, drop } = useSaving();
  if (!trouble)
    return refused ? (
      <p role="alert" className="border-y border-differs bg-sheet px-5 py-3">
        {refused}
      </p>
    ) : null;
  const count = `${pending.length} ${pending.length === 1 ? 'entry' : 'entries'}`;
  return (
    <div role="alert" className="border-y border-differs bg-sheet px-5 py-3">
      <p>
        <strong className="font-semibold">{count} of yours not saved.</strong> {trouble.sentence}
      </p>
      {trouble.kind === 'conflict' && (
        <ul className="my-2 list-disc pl-5 text-soft">
          {trouble.since.map((event) => (
            <li key={event.id}>
              {nameOf(event.by)} {deed(event)}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex gap-2">
        {trouble.kind === 'failed' && trouble.wants === 'signIn' && (
          <a
            href="/sign-in"
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-9 items-center rounded-sm bg-act px-3 text-on-act"
          >
            Sign in beside this page
          </a>
        )}
        {trouble.kind === 'failed' && trouble.wants === 'proof' ? (
          <Button look="act" onClick={async () => (await prove()) && retry()}>
            It is me
          </Button>
        ) : (
          <Button look={trouble.kind === 'failed' && trouble.wants === 'signIn' ? 'plain' : 'act'} onClick={retry}>
            {trouble.kind === 'conflict' ? 'Add mine after theirs' : 'Save again'}
          </Button>
        )}
        <Button onClick={drop}>Drop mine</Button>
      </div>
    </div>
  );
}
