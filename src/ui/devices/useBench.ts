import { useCallback, useEffect, useState } from 'react';
import type { ScaleCheck, ScaleKind } from '@/core/devices/weight';
import { post, request } from '../request';

/** What lies on a stand-in, and what else may. */
export interface StandInSeen {
  laid: string;
  choices: { id: string; label: string }[];
}

/** The devices of the desk; null for what is not there. */
export interface BenchSeen {
  tray: { name: string; standIn: StandInSeen | null } | null;
  scale: {
    name: string;
    kind: ScaleKind;
    check: ScaleCheck | null;
    known: { grams: number; tolerance: number };
    standIn: StandInSeen | null;
  } | null;
  /** What the jaws of the stand-in can be on; null where calipers are real. */
  calipers: StandInSeen['choices'] | null;
}

/** The devices at the desk, and what is said to them. */
export interface BenchControl {
  /** Null until they were asked for. */
  bench: BenchSeen | null;
  trouble: string;
  /** Send something to a device; settles with true where it was taken. */
  tell(path: string, body: object): Promise<boolean>;
}

/** Ask for the devices of the desk once. */
export function useBench(): BenchControl {
  const [bench, setBench] = useState<BenchSeen | null>(null);
  const [trouble, setTrouble] = useState('');
  const take = useCallback(async (asking: Promise<BenchSeen>) => {
    setTrouble('');
    try {
      setBench(await asking);
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    }
  }, []);
  useEffect(() => {
    void take(request<BenchSeen>('/api/devices'));
  }, [take]);
  const tell = useCallback((path: string, body: object) => take(post<BenchSeen>(`/api/devices/${path}`, body)), [take]);
  return { bench, trouble, tell };
}
