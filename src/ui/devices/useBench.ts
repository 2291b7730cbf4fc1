import { useCallback, useEffect, useState } from 'react';
import type { BenchSeen } from '@/core/devices/benchSeen';
import { post, request } from '../request';

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
