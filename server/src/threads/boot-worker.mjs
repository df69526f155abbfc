// Worker threads of Node 20 do not inherit the TypeScript loader: this file registers it, then starts the real entry.
import { workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import(workerData.entry);
