import { VERSION } from './schema/piece';

type Plain = Record<string, unknown>;
type Step = (document: Plain) => Plain;

const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Changes one field where it is there. */
function within(document: Plain, key: string, change: (value: Plain) => unknown): Plain {
  const value = document[key];
  return isPlain(value) ? { ...document, [key]: change(value) } : document;
}

function each(document: Plain, key: string, change: (value: Plain) => unknown): Plain {
  const value = document[key];
  return Array.isArray(value) ? { ...document, [key]: value.map((item: unknown) => (isPlain(item) ? change(item) : item)) } : document;
}

const edge = (name: unknown): Plain => ({ kind: 'edge', name });

/** A corner’s old name carried the word itself. */
const corner = (name: unknown): unknown => (typeof name === 'string' ? name.replace(/ corner$/, '') : name);

/**
 * 1 → 2: edges and corners are values instead of names with words in them; the way of covering is always said; a second
 * nail head that there is not is nothing instead of 0; a correction all round names no edge.
 */
function named(document: Plain): Plain {
  const based = within(document, 'base', (base) =>
    each(
      each(base, 'notches', (notch) =>
        within(notch, 'at', (at) => {
          if (at.kind === 'corner' && 'corner' in at) return { kind: 'corner', name: corner(at.corner) };
          if (at.kind === 'edge' && 'edge' in at) return { kind: 'edge', name: at.edge, along: at.along };
          return at;
        }),
      ),
      'edges',
      (fact) => (typeof fact.edge === 'string' ? { ...fact, edge: edge(fact.edge) } : fact),
    ),
  );
  const covering: Plain = isPlain(based.covering) ? based.covering : { way: 'pull-over' };
  const nailed = within(covering, 'nails', (nails) => (nails.small === 0 ? { ...nails, small: null } : nails));
  const corrected = each(nailed, 'corrections', (correction) => ({
    ...correction,
    where: correction.where === 'all' ? null : typeof correction.where === 'string' ? edge(correction.where) : correction.where,
  }));
  return { ...based, covering: corrected };
}

/** 2 → 3: wadding covers the side by itself; a figure of how far it went beyond the edge says nothing any more. */
function waddingDown(document: Plain): Plain {
  return within(document, 'overrides', ({ waddingBeyond: _gone, ...overrides }) => {
    void _gone;
    return overrides;
  });
}

/** What brings a document of a version to the next one. */
const STEPS: Record<number, Step> = { 1: named, 2: waddingDown };

/**
 * Brings a document of any earlier version to today's, step by step. What is not a document at all comes back as it is.
 *
 * @param data parsed JSON
 * @returns the document; or which version it says it is, where that is a later one
 */
export function migrate(data: unknown): { data: unknown } | { newer: number } {
  if (!isPlain(data)) return { data };
  const match = typeof data.schema === 'string' ? /^fovea\.piece\/(\d{1,6})$/.exec(data.schema) : null;
  if (!match) return { data };
  let version = Number(match[1]);
  if (version > VERSION) return { newer: version };
  let document = data;
  for (; version < VERSION; version++) {
    const step = STEPS[version];
    if (!step) return { data };
    document = { ...step(document), schema: `fovea.piece/${version + 1}` };
  }
  return { data: document };
}
