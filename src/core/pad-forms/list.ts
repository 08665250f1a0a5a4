import { dip } from './dip';
import { hollow } from './hollow';
import { read } from './read';
import { rise } from './rise';
import { scanned } from './scanned';
import { side } from './side';

/** What the top of a pad can be, as it is offered; level is none of them. */
export const PAD_FORMS = [hollow, dip, rise, side, read, scanned] as const;
