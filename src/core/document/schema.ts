import { WAYS } from '../cover/ways';
import { edgeHolds } from '../fastening';
import { PIECE, VERSION } from '../piece';

type Chosen = { enum?: unknown[]; options?: { id: string; name: string }[] };

/** Offers what there is, by its id, instead of any word; nothing too where the field may be empty. */
function offer(field: Chosen, things: readonly { id: string; name: string }[], mayBeEmpty: boolean): void {
  field.enum = [...things.map(({ id }) => id), ...(mayBeEmpty ? [null] : [])];
  field.options = things.map(({ id, name }) => ({ id, name }));
}

/** The JSON Schema (draft 2020-12) of a piece, with the ways of covering and of holding there are; `fovea schema` prints it. */
export function documentSchema(): Record<string, unknown> {
  const plain = JSON.parse(JSON.stringify(PIECE)) as {
    properties: {
      covering: { properties: { way: Chosen; held: Chosen } };
      base: { properties: { edges: { items: { properties: { held: Chosen } } } } };
    };
  };
  const { covering, base } = plain.properties;
  offer(covering.properties.way, WAYS, false);
  offer(covering.properties.held, edgeHolds(), true);
  offer(base.properties.edges.items.properties.held, edgeHolds(), true);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `urn:fovea:piece:${VERSION}`,
    title: 'A piece: one padded rigid base, or a set of them alike. Lengths in mm, angles in radians.',
    ...plain,
  };
}
