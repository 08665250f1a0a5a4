import { length, type Range } from '../fields';

/** How wide a rim is worked, mm. */
export const RIM_SIZE: Range = [1, 500];

/** The width of a worked rim. */
export const rimWidth = (title: string, start: number) => length(title, RIM_SIZE, { default: start });

export const whole = (mm: number): number => Math.round(mm);
