import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { checkersAtBench } from '@/desk/roster';
import { StyleNonce } from '@/ui/frame/StyleNonce';
import { TopBar } from '@/ui/frame/TopBar';
import { checkerAtBench, ROOM_COOKIE, theDesk } from './desk';

export const metadata: Metadata = {
  title: 'Pinprick',
  description: 'Evidence on packaged goods, read, measured and weighed',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Layout({ children }: { children: ReactNode }) {
  const room = (await cookies()).get(ROOM_COOKIE)?.value === 'dim' ? 'dim' : 'bright';
  const nonce = (await headers()).get('x-nonce') ?? '';
  const checkers = await checkersAtBench(await theDesk());
  const checker = await checkerAtBench();
  return (
    <html lang="en" data-room={room} suppressHydrationWarning>
      <body>
        <StyleNonce nonce={nonce} />
        <TopBar checkers={checkers} checker={checker?.id ?? null} room={room} />
        {children}
      </body>
    </html>
  );
}
