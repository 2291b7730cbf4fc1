'use client';
import type { PeopleState } from '@/core/people/peopleState';
import { useInstant } from '../house/House';

const HOW: Record<string, string> = {
  oneKey: 'one key press',
  passphrase: 'passphrase',
  invitation: 'invitation',
  pin: 'PIN',
  passkey: 'passkey',
  first: 'first owner',
  left: 'ended the shift',
};

/** Who signed in, and who tried to. */
export function SignInLog({ log, people }: Pick<PeopleState, 'log' | 'people'>) {
  const formatInstant = useInstant();
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? 'a name that nobody has';
  return (
    <ol className="border-t text-[14px]">
      {log.map(({ at, person, how, came, done }, i) => (
        <li
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of one instant are told apart by their place alone
          key={`${at}/${i}`}
          className="grid grid-cols-[15rem_15rem_16rem_minmax(0,1fr)] max-lg:grid-cols-[14rem_1fr_1fr_8rem] gap-3 border-b py-1 max-md:grid-cols-2"
        >
          <span className="text-soft">{formatInstant(at)}</span>
          <span>{nameOf(person)}</span>
          <span className={done ? '' : 'text-differs'}>
            {done ? '' : 'turned away: '}
            {HOW[how] ?? how}
          </span>
          <span className="truncate font-mono text-[13px] text-soft">{came}</span>
        </li>
      ))}
    </ol>
  );
}
