import { redirect } from 'next/navigation';
import { greeting } from '@/desk/people/signIn';
import { SignInView } from '@/ui/people/SignInView';
import { sitting, theDesk } from '../desk';

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<{ next?: string; other?: string }>;
}) {
  const { next, other } = await searchParams;
  // Only a page of this desk: `//elsewhere` and `/\elsewhere` are other sites to a browser.
  const onto = typeof next === 'string' && /^\/(?![/\\])/.test(next) ? next : '/';
  if ((await sitting()) && other === undefined) redirect(onto);
  return <SignInView {...(await greeting(await theDesk()))} next={onto} />;
}
