import { expose } from 'comlink';
import { symbolsOf } from './decoder';
import { measureWork } from './measureWork';
import { pixelsOf } from './pixelsOf';

async function fetched(sha256: string) {
  const answer = await fetch(`/api/photos/${sha256}`);
  if (!answer.ok) throw new Error('That photograph cannot be fetched.');
  return pixelsOf(await answer.blob());
}

expose(measureWork(fetched, symbolsOf));
