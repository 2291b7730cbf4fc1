'use client';
import { setNonce } from 'get-nonce';
import { useState } from 'react';

/**
 * Dialogs add a style element while they are open; it needs the nonce of the page as it was first loaded. A
 * refresh of the layout brings another nonce, which that page's policy does not know.
 */
export function StyleNonce({ nonce }: { nonce: string }) {
  useState(() => setNonce(nonce));
  return null;
}
