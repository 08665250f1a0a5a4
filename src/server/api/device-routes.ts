import { matStream } from '../devices/mat';
import { tapeStream } from '../devices/tape';
import { text, type Routes } from './route';

/** Devices that send by themselves, by path and method. */
export const DEVICE_ROUTES: Routes = {
  '/api/tape': {
    get: {
      handle: ({ request }) => tapeStream(request),
      says: 'The tape’s readings, as events',
      gives: text('Events'),
      media: 'text/event-stream',
    },
  },
  '/api/mat': {
    get: {
      handle: ({ request }) => matStream(request),
      says: 'The pressure mat’s frames, as events',
      gives: text('Events'),
      media: 'text/event-stream',
    },
  },
};
