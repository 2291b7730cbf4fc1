'use client';
import { useState } from 'react';
import { ASK_LANGUAGES, type AskLanguage, askText } from '@/core/listing/askText';
import { useCaseBook } from '../casebook/CaseBook';
import { Button, Key } from '../controls/Button';
import { Choice } from '../controls/Choice';
import { useKeys } from '../controls/useKeys';

/** The message that asks for pictures, to copy or to print. */
export function AskText({ requests }: { requests: { name: string; how: string }[] }) {
  const { number, grounds } = useCaseBook();
  const { house } = grounds.houseRules;
  const first = ASK_LANGUAGES.find(({ value }) => house?.languages.some((each) => each.startsWith(value)));
  const [language, setLanguage] = useState<AskLanguage>(first?.value ?? 'en');
  const [copied, setCopied] = useState('');
  const text = askText(requests, { number, language, house: house?.name ?? '' });
  const copy = async () => {
    if (requests.length === 0) return;
    try {
      await navigator.clipboard.writeText(text);
      setCopied('Copied.');
    } catch {
      setCopied('This browser does not let the page copy; select the text instead.');
    }
  };
  useKeys('t', () => void copy());
  if (requests.length === 0) return null;
  return (
    <div className="mt-2">
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <Choice label="Language of the message" value={language} options={ASK_LANGUAGES} onChange={setLanguage} />
        <Button onClick={() => void copy()}>
          Copy the message <Key>t</Key>
        </Button>
        <a
          className="inline-flex min-h-9 items-center px-2 text-accent hover:underline underline-offset-4"
          href={`/api/cases/${number}/picture-request?language=${language}`}
        >
          As a page
        </a>
        <span role="status" className="text-[13px] text-soft">
          {copied}
        </span>
      </div>
      <textarea
        readOnly
        aria-label="The message that asks for them"
        rows={Math.min(14, text.split('\n').length + 3)}
        value={text}
        className="w-full rounded-sm border border-line bg-sheet p-2 text-[14px] outline-none focus:border-accent"
      />
    </div>
  );
}
