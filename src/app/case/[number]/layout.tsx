import type { ReactNode } from 'react';
import { opinionAskedOf } from '@/desk/blind';
import { firstAssessment } from '@/desk/firstLook';
import { everybody } from '@/desk/people/roster';
import { openPhone } from '@/desk/phone/phone';
import { CaseBook } from '@/ui/casebook/CaseBook';
import { CaseStrip } from '@/ui/casebook/CaseStrip';
import { SaveBar } from '@/ui/casebook/SaveBar';
import { TroubleBar } from '@/ui/casebook/TroubleBar';
import { ScanSheet } from '@/ui/scan/ScanSheet';
import { BlindGate } from '@/ui/second/BlindGate';
import { atDesk } from '../../desk';
import { pageFolder } from './folder';

export default async function CaseLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ number: string }>;
}) {
  const { number } = await params;
  const { desk, me } = await atDesk();
  const folder = await pageFolder(number);
  const opinion = opinionAskedOf(folder, me.id);
  return (
    <CaseBook
      key={`${folder.id}/${opinion ?? ''}`}
      folder={folder}
      first={firstAssessment(desk, folder)}
      people={await everybody(desk)}
    >
      {opinion ? (
        <BlindGate number={folder.number} opinion={opinion} />
      ) : (
        <CaseStrip phone={openPhone(desk, folder.number) !== null} />
      )}
      <TroubleBar />
      <SaveBar />
      <ScanSheet />
      {children}
    </CaseBook>
  );
}
