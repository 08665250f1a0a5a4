import * as react from 'react/jsx-runtime';
import { currentDialect } from './current';
import { translated } from './translate';

/**
 * React’s own runtime, with the words of the workshop: every text that reaches the page goes through here, so that no component has to
 * know of them. `tsconfig.json` names it as the source of JSX.
 */
type Element = (type: unknown, props: Record<string, unknown>, key?: string) => unknown;

const isShown = (type: unknown): boolean => typeof type === 'string' || type === react.Fragment;

const inWords =
  (element: Element): Element =>
  (type, props, key) =>
    element(type, isShown(type) ? translated(props, currentDialect()) : props, key);

export const jsx = inWords(react.jsx as Element);
export const jsxs = inWords(react.jsxs as Element);
export const { Fragment } = react;
export type { JSX } from 'react/jsx-runtime';
