import type { Base } from '../piece';

/** Whether a base is not flat: a pan by its sections, or read with its heights. */
export const isMoulded = ({ mould, shape }: Pick<Base, 'mould' | 'shape'>): boolean => Boolean(mould) || shape.type === 'saddle';
