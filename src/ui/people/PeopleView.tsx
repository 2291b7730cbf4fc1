'use client';
import { useState } from 'react';
import type { PeopleState } from '@/core/people/peopleState';
import { Part } from '../records/Part';
import { RecordsPage } from '../records/RecordsPage';
import { post } from '../request';
import { useMay, useProve } from './Me';
import { OwnSignIn } from './OwnSignIn';
import { RosterTable } from './RosterTable';
import { SignInLog } from './SignInLog';
import { SignInRulesForm } from './SignInRulesForm';

/** Who works here and what they may do, how they sign in, and who did. */
export function PeopleView({ first }: { first: PeopleState }) {
  const [state, setState] = useState(first);
  const [invited, setInvited] = useState<{ id: string; word: string } | null>(null);
  const [trouble, setTrouble] = useState('');
  const mayDo = useMay();
  const prove = useProve();
  const manages = mayDo('managePeople');

  const send = async (path: string, body: object): Promise<boolean> => {
    setTrouble('');
    try {
      const { invited: word, ...next } = await post<PeopleState & { invited?: { id: string; word: string } | null }>(
        path,
        body,
      );
      setState(next);
      setInvited(word ?? null);
      return true;
    } catch (error) {
      const { message, wants } = error as Error & { wants?: string };
      if (wants === 'proof' && (await prove())) return send(path, body);
      setTrouble(message);
      return false;
    }
  };
  const change = (what: object) => send('/api/people', { change: what, from: state.revision });

  return (
    <RecordsPage title="People" trouble={trouble}>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <Part title="Who works here">
          <RosterTable
            people={state.people}
            kinds={state.kinds}
            invited={invited}
            oneKey={state.signIn.oneKey && !state.wide}
            manages={manages}
            onChange={change}
            onInvite={(id) => send('/api/people', { invite: id })}
          />
        </Part>
        <div className="grid content-start gap-6">
          <Part title="How you sign in">
            <OwnSignIn state={state} onChange={(what) => send('/api/people/own', what)} onTrouble={setTrouble} />
          </Part>
          <Part title="How people sign in here">
            <SignInRulesForm
              rules={state.signIn}
              wide={state.wide}
              manages={manages}
              onChange={(signIn) => change({ change: 'signIn', signIn })}
            />
          </Part>
        </div>
        {manages && (
          <div className="lg:col-span-2">
            <Part title="Who signed in">
              <SignInLog log={state.log} people={state.people} />
            </Part>
          </div>
        )}
      </div>
    </RecordsPage>
  );
}
