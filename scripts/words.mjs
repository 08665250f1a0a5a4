// npm run words: writes every sentence that somebody may read to docs/words.md, with the file that says it. It reads the source itself, so
// that nothing is missed that no example happens to reach; what is filled in stands as ….
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { globSync } from 'tinyglobby';
import ts from 'typescript';

/** Where sentences are said. */
const FILES = [
  'src/core/**/*.ts',
  'src/ui/**/*.{ts,tsx}',
  'src/server/**/*.ts',
  'src/data/**/*.ts',
  'src/app/**/*.tsx',
  'src/workers/*.ts',
  'cli/*.ts',
];
const NOT = [
  '**/*.test.*',
  '**/fixtures/**',
  'src/ui/made-up/**',
  'src/server/api/**',
  'src/server/demo.ts',
  'src/server/store/demo-store.ts',
  // The table of British and American words.
  'src/core/dialect.ts',
];

/** Properties and attributes whose text nobody reads. */
const SILENT = new Set([
  'className',
  'class',
  'd',
  'id',
  'key',
  'type',
  'href',
  'fill',
  'stroke',
  'style',
  'viewBox',
  'transform',
  'accept',
  'rel',
  'target',
  'role',
  'pattern',
  'font',
  'gridTemplateColumns',
  'backgroundImage',
  'points',
  'look',
]);
/** Calls whose text nobody reads: steps of the cache, statements of the database, patterns. */
const SILENT_CALLS = new Set([
  'keep',
  'prepare',
  'exec',
  'pragma',
  'RegExp',
  'require',
  'querySelector',
  'querySelectorAll',
  'createElement',
  'addEventListener',
  'setAttribute',
  'Map',
  'import',
]);

/** Whether a text is said to somebody: words with a space between, or one word that begins as a label does. */
function isSaid(text) {
  const plain = text.trim();
  if (!/[a-z]{2}/i.test(plain)) return false;
  if (/^[\w./:@#-]+$/.test(plain) && !/^[A-Z][a-z]+$/.test(plain)) return false;
  // Styles, paths, statements and media types.
  if (
    /(^|\s)[a-z-]+-\[|\b(flex|grid|absolute|border-|px-|py-|text-(xs|sm|lg))|^SELECT|^INSERT|^UPDATE|^DELETE|^PRAGMA|^VACUUM|^CREATE|var\(--|^M\s?…|^use (client|server)$/.test(
      plain,
    )
  )
    return false;
  if (/^[a-z]+\/[a-z+.-]+/.test(plain)) return false;
  return /\s/.test(plain) || /^[A-Z]/.test(plain);
}

/** A template with what is filled in as …. */
const templateText = (node) => node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join('');

/** Whether a text stands where nobody reads it. */
function isSilent(node) {
  for (let at = node.parent, child = node; at; child = at, at = at.parent) {
    if (ts.isImportDeclaration(at) || ts.isExportDeclaration(at) || ts.isLiteralTypeNode(at)) return true;
    if (ts.isJsxAttribute(at)) return SILENT.has(at.name.getText()) || /^data-/.test(at.name.getText());
    if (ts.isPropertyAssignment(at) && at.initializer === child && SILENT.has(at.name.getText())) return true;
    if (ts.isPropertyAssignment(at) && at.name === child) return true;
    if ((ts.isCallExpression(at) || ts.isNewExpression(at)) && at.arguments?.includes(child)) {
      const name = ts.isPropertyAccessExpression(at.expression) ? at.expression.name.text : at.expression.getText();
      if (SILENT_CALLS.has(name)) return true;
    }
    if (
      ts.isBinaryExpression(at) &&
      [ts.SyntaxKind.EqualsEqualsEqualsToken, ts.SyntaxKind.ExclamationEqualsEqualsToken].includes(at.operatorToken.kind)
    )
      return true;
    if (ts.isElementAccessExpression(at) || ts.isCaseClause(at)) return true;
    if (ts.isStatement(at)) return false;
  }
  return false;
}

/** The sentences of one file, in the order in which they stand. */
function sentencesOf(file) {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found = [];
  const add = (text) => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (isSaid(plain)) found.push(plain);
  };
  const visit = (node) => {
    if (ts.isJsxText(node)) add(node.text);
    else if (ts.isTemplateExpression(node)) {
      if (!isSilent(node)) add(templateText(node));
    } else if (ts.isStringLiteralLike(node) && !isSilent(node)) add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return [...new Set(found)];
}

/** All that is said, as the text of docs/words.md. */
export function wordsText() {
  const files = globSync(FILES, { ignore: NOT }).sort();
  const parts = files.flatMap((file) => {
    const sentences = sentencesOf(file);
    return sentences.length > 0
      ? [`\n## ${file}\n\n${sentences.map((text) => `- ${text.replace(/([*_<>`[\]\\])/g, '\\$1')}`).join('\n')}\n`]
      : [];
  });
  return `# Words\n\nEvery sentence that somebody may read, by the file that says it; \`npm run words\` writes this page. … stands for what is filled in.\n${parts.join('')}`;
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) writeFileSync('docs/words.md', wordsText());
