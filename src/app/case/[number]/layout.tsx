import type { ReactNode } from 'react';
import { readCaseFolder } from '@/desk/caseFolder';
import { checkersAtBench } from '@/desk/roster';
import { CaseBook } from '@/ui/casebook/CaseBook';
import { CaseStrip } from '@/ui/casebook/CaseStrip';
import { SaveBar } from '@/ui/casebook/SaveBar';
import { orNotFound, theDesk } from '../../desk';

export default async function CaseLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ number: string }>;
}) {
  const { number } = await params;
  const desk = await theDesk();
  const folder = await orNotFound(readCaseFolder(desk, decodeURIComponent(number)));
  return (
    <CaseBook key={folder.id} folder={folder} checkers={await checkersAtBench(desk)}>
      <CaseStrip />
      <SaveBar />
      {children}
    </CaseBook>
  );
}
