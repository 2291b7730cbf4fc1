import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { readHouseRules } from '@/desk/houseRules';
import { readRoster } from '@/desk/people/roster';
import { oneKeyPeople } from '@/desk/people/signIn';
import { Going } from '@/ui/frame/Going';
import { StyleNonce } from '@/ui/frame/StyleNonce';
import { TopBar } from '@/ui/frame/TopBar';
import { HouseTime } from '@/ui/house/House';
import { MeProvider } from '@/ui/people/Me';
import { ROOM_COOKIE, sitting, theDesk } from './desk';

export const metadata: Metadata = {
  title: 'Pinprick',
  description: 'Evidence on packaged goods, read, measured and weighed',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Layout({ children }: { children: ReactNode }) {
  const room = (await cookies()).get(ROOM_COOKIE)?.value === 'dim' ? 'dim' : 'bright';
  const nonce = (await headers()).get('x-nonce') ?? '';
  const desk = await theDesk();
  const [here, { rules }, roster] = await Promise.all([sitting(), readHouseRules(desk), readRoster(desk)]);
  return (
    <html lang="en" data-room={room} suppressHydrationWarning>
      <body>
        <a
          href="#content"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:px-4 focus:py-2"
        >
          Skip to the content
        </a>
        <StyleNonce nonce={nonce} />
        <HouseTime timeZone={rules.house?.timeZone ?? 'UTC'}>
          <MeProvider me={here?.me ?? null} proof={roster.body.signIn.proof}>
            {desk.store.looking && (
              <p role="status" className="border-b border-differs px-5 py-1.5 text-differs">
                This desk is open for looking only: nothing can be kept. Everything can be read and exported.
              </p>
            )}
            <Going>
              <TopBar here={here?.here ?? []} oneKey={here ? await oneKeyPeople(desk) : []} room={room} />
              <div id="content" tabIndex={-1} className="outline-none">
                {children}
              </div>
            </Going>
          </MeProvider>
        </HouseTime>
      </body>
    </html>
  );
}
