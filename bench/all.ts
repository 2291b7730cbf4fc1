import { benchAssess } from './assess';
import { benchMatch } from './match';

await benchMatch();
await benchAssess();
