import { WAYS } from '../cover/ways';
import { PIECE, VERSION } from '../piece';

/** The JSON Schema (draft 2020-12) of a piece, with the ways of covering there are; `fovea schema` prints it. */
export function documentSchema(): Record<string, unknown> {
  const plain = JSON.parse(JSON.stringify(PIECE)) as { properties: { covering: { properties: { way: Record<string, unknown> } } } };
  const { way } = plain.properties.covering.properties;
  way.enum = WAYS.map(({ id }) => id);
  way.options = WAYS.map(({ id, name }) => ({ id, name }));
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `urn:fovea:piece:${VERSION}`,
    title: 'A piece: one padded rigid base, or a set of them alike. Lengths in mm, angles in radians.',
    ...plain,
  };
}
