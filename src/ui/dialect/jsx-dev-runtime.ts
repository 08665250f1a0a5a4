import * as react from 'react/jsx-dev-runtime';
import { Fragment } from 'react/jsx-runtime';
import { currentDialect } from './current';
import { translated } from './translate';

type DevElement = (type: unknown, props: Record<string, unknown>, ...rest: unknown[]) => unknown;

/** The same while developing. */
export const jsxDEV: DevElement = (type, props, ...rest) =>
  (react.jsxDEV as DevElement)(type, typeof type === 'string' || type === Fragment ? translated(props, currentDialect()) : props, ...rest);
export { Fragment };
export type { JSX } from 'react/jsx-runtime';
