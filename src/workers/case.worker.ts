import { expose } from 'comlink';
import { caseWork } from './caseWork';

expose(caseWork());
