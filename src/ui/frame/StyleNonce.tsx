'use client';
import { setNonce } from 'get-nonce';

/** Dialogs add a style element while they are open; it needs the page's nonce to pass the security policy. */
export function StyleNonce({ nonce }: { nonce: string }) {
  setNonce(nonce);
  return null;
}
