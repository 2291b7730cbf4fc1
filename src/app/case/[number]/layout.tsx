import type { ReactNode } from 'react';
import { blindFolder, opinionAskedOf } from '@/desk/blind';
import { readCaseFolder } from '@/desk/caseFolder';
import { checkersAtBench } from '@/desk/roster';
import { CaseBook } from '@/ui/casebook/CaseBook';
import { CaseStrip } from '@/ui/casebook/CaseStrip';
import { SaveBar } from '@/ui/casebook/SaveBar';
import { ScanSheet } from '@/ui/scan/ScanSheet';
import { BlindGate } from '@/ui/second/BlindGate';
import { checkerAtBench, orNotFound, theDesk } from '../../desk';

export default async function CaseLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ number: string }>;
}) {
  const { number } = await params;
  const desk = await theDesk();
  const me = (await checkerAtBench())?.id ?? null;
  const folder = blindFolder(await orNotFound(readCaseFolder(desk, decodeURIComponent(number))), me);
  const opinion = opinionAskedOf(folder, me);
  return (
    <CaseBook key={`${folder.id}/${opinion ?? ''}`} folder={folder} checkers={await checkersAtBench(desk)}>
      {opinion ? <BlindGate number={folder.number} opinion={opinion} /> : <CaseStrip />}
      <SaveBar />
      <ScanSheet />
      {children}
    </CaseBook>
  );
}
