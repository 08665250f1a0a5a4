// Compiles the document's schema ahead of time: a page under our content policy may not make code while it runs.
// Writes src/core/document/validator.js; `npm test` says when it is not in step.
import Ajv2020 from 'ajv/dist/2020.js';
import standaloneCode from 'ajv/dist/standalone/index.js';
import { readFileSync, writeFileSync } from 'node:fs';
import { PIECE } from '../src/core/piece/schema/index.ts';

const FILE = new URL('../src/core/document/validator.js', import.meta.url);

/** What says nothing of whether a document is right, but what its fields are called and start from. */
const WORDS = new Set(['title', 'unit', 'hint', 'reason', 'default', 'options']);

/** A schema without its words; the fields of a document may carry the same names, so records are walked by their parts. */
function bare(schema) {
  const parts = { properties: (all) => Object.fromEntries(Object.entries(all).map(([key, inner]) => [key, bare(inner)])) };
  return Object.fromEntries(
    Object.entries(schema)
      .filter(([key]) => !WORDS.has(key))
      .map(([key, value]) => {
        if (key === 'properties') return [key, parts.properties(value)];
        if (key === 'items') return [key, bare(value)];
        if (key === 'oneOf') return [key, value.map(bare)];
        return [key, value];
      }),
  );
}

/** The validator's source. */
export function validatorSource() {
  const ajv = new Ajv2020.default({
    allErrors: true,
    discriminator: true,
    strict: false,
    messages: false,
    inlineRefs: false,
    code: { source: true, esm: true },
  });
  const plain = bare(JSON.parse(JSON.stringify(PIECE)));
  // A base is measured in the same ways wherever it stands in the document: its code is written once.
  plain.$defs = { shape: plain.properties.base.properties.shape };
  plain.properties.base.properties.shape = { $ref: '#/$defs/shape' };
  plain.properties.variants.items.properties.shape = { $ref: '#/$defs/shape' };
  const code = standaloneCode.default(ajv, ajv.compile(plain));
  // The one helper that the code asks for by CommonJS counts the signs of a text.
  const asModule = code.replace(
    /const (\w+) = require\("ajv\/dist\/runtime\/ucs2length"\)\.default;/g,
    'const $1 = (text) => [...text].length;',
  );
  if (asModule.includes('require(')) throw new Error('The validator asks for a module that is not written into it');
  return `// Made by \`npm run validator\` from src/core/piece/schema. Do not edit.\n${asModule}`;
}

if (process.argv[1] === import.meta.filename) {
  const source = validatorSource();
  if (readFileSync(FILE, { encoding: 'utf8', flag: 'a+' }) !== source) writeFileSync(FILE, source);
}
