import { bevelled } from './bevelled';
import { domed } from './domed';
import { feathered } from './feathered';
import { roll } from './roll';
import { rounded } from './rounded';
import { square } from './square';

/** How a pad's rim can be worked, as it is offered. */
export const PAD_RIMS = [square, bevelled, feathered, rounded, domed, roll] as const;
