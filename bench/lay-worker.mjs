// One of the workers that look for a lay at once: loads the sources as they are.
import { parentPort, workerData } from 'node:worker_threads';
import { tsImport } from 'tsx/esm/api';

const { createSearch } = await tsImport('../src/core/nesting/index.ts', import.meta.url);
const { task, seconds, seed } = workerData;
const search = createSearch(task, seed);
search.step(seconds * 1000);
parentPort.postMessage(search.best());
