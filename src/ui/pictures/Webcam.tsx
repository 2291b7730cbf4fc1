'use client';
import { useEffect, useRef, useState } from 'react';
import { Button, Key } from '../controls/Button';

/** As large as the camera has it, up to this. */
const WANTED = { width: { ideal: 3840 }, height: { ideal: 2160 }, facingMode: 'environment' };
const QUALITY = 0.95;

/** The machine's own camera: what it sees, and a picture of that. */
export function Webcam({ onTaken, onClose }: { onTaken: (picture: File) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState('');
  const [seen, setSeen] = useState('');
  useEffect(() => {
    let stream: MediaStream | null = null;
    let gone = false;
    navigator.mediaDevices.getUserMedia({ video: WANTED }).then(
      (given) => {
        stream = given;
        if (gone || !video.current) for (const track of given.getTracks()) track.stop();
        else video.current.srcObject = given;
      },
      () => setTrouble('The camera is not given: allow it in the browser, or choose a picture.'),
    );
    return () => {
      gone = true;
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  const take = () => {
    const { current } = video;
    if (!current || current.videoWidth === 0) return;
    const canvas = document.createElement('canvas');
    canvas.width = current.videoWidth;
    canvas.height = current.videoHeight;
    canvas.getContext('2d')?.drawImage(current, 0, 0);
    canvas.toBlob(
      (blob) => blob && onTaken(new File([blob], 'camera.jpg', { type: 'image/jpeg' })),
      'image/jpeg',
      QUALITY,
    );
  };
  return (
    <section aria-label="Camera" className="grid justify-items-start gap-3">
      {trouble ? (
        <p role="alert" className="text-differs">
          {trouble}
        </p>
      ) : (
        <>
          {/* biome-ignore lint/a11y/useMediaCaption: what a camera sees has no words */}
          <video
            ref={video}
            autoPlay
            playsInline
            className="max-h-[64vh] max-w-full bg-wash"
            onLoadedMetadata={({ currentTarget }) =>
              setSeen(`${currentTarget.videoWidth} x ${currentTarget.videoHeight} pixels`)
            }
          />
          <p className="flex items-center gap-3">
            <Button look="act" autoFocus disabled={seen === ''} onClick={take}>
              Take the picture <Key>Enter</Key>
            </Button>
            <Button onClick={onClose}>Without the camera</Button>
            <span className="text-[13px] text-soft">{seen}</span>
          </p>
        </>
      )}
    </section>
  );
}
