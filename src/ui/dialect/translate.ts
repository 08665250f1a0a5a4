import { inDialect, type Dialect } from '@/core/dialect';

/** Attributes that people read or hear. */
const READ = ['aria-label', 'aria-description', 'aria-roledescription', 'title', 'placeholder', 'alt', 'label'] as const;

const spoken = (child: unknown, dialect: Dialect): unknown =>
  typeof child === 'string' ? inDialect(child, dialect) : Array.isArray(child) ? child.map((one) => spoken(one, dialect)) : child;

/**
 * What an element shows, in the workshop's words. An element with translate="no" keeps its text: names that somebody typed.
 *
 * @param props of an element of the page
 * @param dialect the workshop's
 */
export function translated(props: Record<string, unknown>, dialect: Dialect): Record<string, unknown> {
  if (dialect === 'british' || props.translate === 'no') return props;
  const next: Record<string, unknown> = { ...props };
  if ('children' in props) next.children = spoken(props.children, dialect);
  for (const key of READ) if (typeof props[key] === 'string') next[key] = inDialect(props[key] as string, dialect);
  return next;
}
