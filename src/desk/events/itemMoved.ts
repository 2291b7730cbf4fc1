import { invalid, Refusal } from '../refusal';
import type { Completion } from './completion';

export const itemMoved: Completion<'itemMoved'> = (event, { file }) => {
  const { to } = event.body;
  if (to === (file.moved?.to ?? 'desk')) throw invalid(`That is where the item of ${file.number} is already.`);
  const known = file.truth?.goods ?? file.seal?.goods;
  if (to === 'sale' && known !== 'genuine')
    throw new Refusal(
      'forbidden',
      `The goods of ${file.number} are not decided genuine; nothing else goes out for sale.`,
    );
  return event;
};
