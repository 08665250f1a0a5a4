export { checkBuilt, checkDocument, parseDocument, problemsOf, readDocument, type Checked } from './check-document';
export { documentSchema } from './schema';
