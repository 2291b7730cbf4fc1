'use client';
import type { ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { noPicture, PICTURE_TYPES } from './keepPicture';

export interface DropProps {
  disabled: boolean;
  onPictures(files: File[]): void;
  onTrouble(sentence: string): void;
  children: ReactNode;
}

/** Pictures may be dropped on what stands in it. */
export function DropZone({ disabled, onPictures, onTrouble, children }: DropProps) {
  const { getRootProps, isDragActive } = useDropzone({
    accept: PICTURE_TYPES,
    noClick: true,
    noKeyboard: true,
    disabled,
    onDrop: (accepted, rejected) => {
      if (rejected[0]) onTrouble(noPicture(rejected[0]));
      if (accepted.length > 0) onPictures(accepted);
    },
  });
  return (
    <div
      {...getRootProps()}
      data-dropzone
      tabIndex={-1}
      className={isDragActive ? 'outline-2 outline-accent outline-dashed' : ''}
    >
      {children}
    </div>
  );
}
