'use client';
import { clsx } from 'clsx';
import { FileInput } from 'lucide-react';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Brought } from '@/core/library/brought';
import { useMay } from '../people/Me';
import { request } from '../request';

/** A place to drop a library or a table on. */
export function BringFile({
  onBrought,
  onTrouble,
}: {
  onBrought: (brought: Brought) => void;
  onTrouble: (sentence: string) => void;
}) {
  const may = useMay()('editRecords');
  const [sending, setSending] = useState('');
  const take = async ([file]: File[]) => {
    if (!file) return;
    onTrouble('');
    setSending(file.name);
    try {
      onBrought(
        await request<Brought>(`/api/library?name=${encodeURIComponent(file.name)}`, { method: 'POST', body: file }),
      );
    } catch (error) {
      onTrouble((error as Error).message);
    }
    setSending('');
  };
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    multiple: false,
    disabled: !may || sending !== '',
  });
  return (
    <div
      {...getRootProps({
        className: clsx(
          'grid min-h-40 cursor-pointer content-center justify-items-center gap-2 border border-dashed px-6 py-8 text-center',
          isDragActive ? 'border-accent bg-wash' : 'border-line bg-sheet hover:border-accent',
          !may && 'cursor-not-allowed opacity-60',
        ),
      })}
    >
      <input {...getInputProps({ 'aria-label': 'Library or table' })} />
      <FileInput size={22} aria-hidden className="text-accent" />
      <p className="text-[17px]">{sending ? `Taking ${sending} in` : 'Drop a file here, or press to choose one'}</p>
      <p className="max-w-[64ch] text-soft">
        A maker’s table (CSV with headings), a records file, or the library of another desk. You see what it would
        change before anything is kept.
      </p>
    </div>
  );
}
