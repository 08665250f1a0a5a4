import type { ErrorObject } from 'ajv';

/** Whether data has the form of a document; what is wrong is in `errors`. Made ahead of time by scripts/validator.mjs. */
export const validate: ((data: unknown) => boolean) & { errors?: ErrorObject[] | null };
