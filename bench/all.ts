import { benchAssess } from './assess';
import { benchChains } from './chains';
import { benchJudgement } from './judgement';
import { benchMatch } from './match';
import { benchRegister } from './register';

await benchMatch();
await benchChains();
await benchRegister();
await benchAssess();
benchJudgement();
