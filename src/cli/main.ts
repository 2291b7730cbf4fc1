import { pinprick } from './pinprick';

process.exitCode = await pinprick(process.argv.slice(2));
