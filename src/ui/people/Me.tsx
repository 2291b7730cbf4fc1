'use client';
import { createContext, lazy, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import type { EventType } from '@/core/casefile/event';
import { type Deed, may } from '@/core/people/permissions';
import type { Person } from '@/core/people/person';
import { Later } from '../controls/Later';

const ProofSheet = lazy(async () => ({ default: (await import('./ProofSheet')).ProofSheet }));

interface MeValue {
  me: Person | null;
  /** Whether the house asks for a fresh proof before it seals or confirms. */
  proof: boolean;
  /** Ask whoever is here to prove it: true once they did, false where they would not. */
  prove(): Promise<boolean>;
}

const MeContext = createContext<MeValue>({ me: null, proof: false, prove: async () => false });

/** Who is at this browser, for everything under it. */
export function MeProvider({ me, proof, children }: { me: Person | null; proof: boolean; children: ReactNode }) {
  const [asked, setAsked] = useState<((proved: boolean) => void) | null>(null);
  const prove = useCallback(() => new Promise<boolean>((resolve) => setAsked(() => resolve)), []);
  const value = useMemo(() => ({ me, proof, prove }), [me, proof, prove]);
  const answer = (proved: boolean) => {
    asked?.(proved);
    setAsked(null);
  };
  return (
    <MeContext value={value}>
      {children}
      {asked && (
        <Later>
          <ProofSheet name={me?.name ?? ''} onDone={answer} />
        </Later>
      )}
    </MeContext>
  );
}

/** Whether whoever is here may do that; the desk holds everybody to it. */
export function useMay(): (deed: EventType | Deed) => boolean {
  const { me } = useContext(MeContext);
  return useCallback((deed) => me !== null && may(me.role, deed), [me]);
}

/** Who is at this browser; null where nobody is. */
export const useMe = (): Person | null => useContext(MeContext).me;

/** Ask for a proof, whatever the house wants. */
export const useProve = (): (() => Promise<boolean>) => useContext(MeContext).prove;

/** Ask for a proof where the house wants one before something is staked. */
export function useStake(): () => Promise<boolean> {
  const { proof, prove } = useContext(MeContext);
  return useCallback(() => (proof ? prove() : Promise.resolve(true)), [proof, prove]);
}
