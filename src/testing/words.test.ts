import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { wordsText } from '../../scripts/words.mjs';

const sentences = wordsText()
  .split('\n')
  .filter((line) => line.startsWith('- '))
  .map((line) => line.slice(2));

it('docs/words.md has every sentence that somebody may read: npm run words writes it anew', () => {
  expect(readFileSync('docs/words.md', 'utf8') === wordsText()).toBe(true);
  // Labels, steps, warnings, refusals and messages: were most of them not found, the rest would prove nothing.
  expect(sentences.length).toBeGreaterThan(3000);
  expect(sentences).toContain('Staple the piping along the edge, cord on the corner of it, its raw edge backwards.');
  expect(sentences).toContain('The workshop cannot be reached. Nothing is lost; try again.');
});

/** What nobody at a bench says, each with what is said instead. */
const RIDDLES: [RegExp, string][] = [
  [/\bwelt/i, 'piping'],
  [/\bas it is said\b|\bworth a word\b|\bis of yesterday\b|\bnothing is none\b/i, 'say it plainly'],
  [/\basked for\b.*\blike\b/i, 'similar to'],
  [/\bstumbled\b/i, 'failed'],
  [/\bdid not come to rest\b/i, 'could not be worked out'],
  [/\bsigns\b/i, 'characters'],
  [/\bon Build\b|\bin Build\b|\bon Base\b/, 'Padding, Board'],
  [/\bwho sits\b|\bwhoever\b/i, 'the sitter'],
  [/\bgrip\b(?!s)/i, 'pull allowance'],
];

it.each(RIDDLES)('no sentence says %s', (riddle) => {
  expect(sentences.filter((sentence) => riddle.test(sentence))).toEqual([]);
});
