'use client';
import { useRef, useState } from 'react';
import { Button } from '../controls/Button';
import { useGo } from '../controls/useGo';
import { useMay } from '../people/Me';
import { request } from '../request';

/** Take in a case that was exported here or elsewhere. */
export function ImportCase() {
  const go = useGo();
  const mayDo = useMay();
  const input = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState('');
  const take = async (file: File) => {
    setTrouble('');
    try {
      const { number } = await request<{ number: string }>('/api/import', { method: 'POST', body: file });
      go(`/case/${number}/verdict`);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  if (!mayDo('import')) return null;
  return (
    <div className="flex items-center gap-3">
      {trouble && (
        <p role="alert" className="max-w-[60ch] text-differs">
          {trouble}
        </p>
      )}
      <input
        ref={input}
        type="file"
        accept="application/json,.json,application/zip,.zip"
        aria-label="Exported case"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void take(file);
          event.target.value = '';
        }}
      />
      <Button look="quiet" onClick={() => input.current?.click()}>
        Import a case
      </Button>
    </div>
  );
}
