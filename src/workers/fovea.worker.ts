import { createPlanner } from '../core/plan';
import { runErrand, type Errand } from './errands';
import { wordsOf, work, type Job, type Means } from './jobs';
import { serve } from './spread';

/** A job; or a port to a worker that helps this one; or to one that is helped. */
type Message = Job | { helper: MessagePort } | { helps: MessagePort };

const helpers: MessagePort[] = [];
const means: Means = {
  planner: createPlanner(),
  tell: (done, of, best) => self.postMessage({ done, of, ...(best === undefined ? {} : { best }) }),
  helpers,
};

self.onmessage = async (event: MessageEvent<Message>) => {
  const message = event.data;
  if ('helper' in message) {
    helpers.push(message.helper);
    return;
  }
  if ('helps' in message) {
    serve(message.helps, (errand: Errand) => runErrand(errand, means.planner));
    return;
  }
  try {
    self.postMessage({ answer: await work(message, means) });
  } catch (error) {
    self.postMessage({ wrong: wordsOf(error) });
  }
};
