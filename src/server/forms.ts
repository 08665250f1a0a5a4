import Ajv2020 from 'ajv/dist/2020';
import type { TSchema, Static } from '@sinclair/typebox';
import { explain } from '../core/document/explain';
import { PieceProblems } from '../core/piece';
import type { PlainSchema } from '../core/piece/schema/field-at';

// Words and units of a field are no part of what is checked.
const ajv = new Ajv2020({ allErrors: true, strict: false });

/**
 * What comes in as the form it must have.
 *
 * @param schema of the record
 * @param data as it was sent
 * @param [among] what is wrong between its fields
 * @throws PieceProblems with every place that is wrong
 */
export function fitting<T extends TSchema>(
  schema: T,
  data: unknown,
  among: (item: Static<T>) => { path: string; message: string }[] = () => [],
): Static<T> {
  const validate = ajv.compile(schema);
  if (!validate(data)) throw new PieceProblems(explain(validate.errors ?? [], data, schema as unknown as PlainSchema));
  const problems = among(data as Static<T>);
  if (problems.length > 0) throw new PieceProblems(problems);
  return data as Static<T>;
}
