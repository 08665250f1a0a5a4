import { describe, expect, it } from 'vitest';
import { ruleOf } from '../house';
import { fieldAt, KINDS, newPiece } from '../piece';
import { searchWords, wordFor, wordsIn } from '.';

/** What the trade calls things: each has a card. */
const TRADE =
  'base, stack, pad, crown, crown pad, edge roll, overhang, set-back, pocket, floor, topper, wadding, liner cloth, slip film, backed foam, top panel, band, border, piping, channel, wrap, side, turn-under, pull allowance, station, fullness, relief cut, pie cut, Y-cut, tack strip, hard-edge strip, dust cover, nail line, drag line, hard spot, show-through, bottoming';

describe('the words', () => {
  it('are all there, each once, with what it is, where its number comes from and what goes wrong', () => {
    const names = wordsIn().map(({ word }) => word.toLowerCase());
    for (const word of TRADE.split(', ')) expect(names, word).toContain(word.toLowerCase());
    expect(new Set(names).size).toBe(names.length);
    expect(new Set(wordsIn().map(({ id }) => id)).size).toBe(names.length);
    for (const { word, is, from, wrong } of wordsIn()) for (const text of [is, from, wrong]) expect(text, word).toMatch(/^\p{Lu}.*[.]$/u);
  });

  it('say no number of their own: what is a house rule is read from the house', () => {
    for (const { word, is, from, wrong, rule } of wordsIn()) {
      expect(`${is} ${from} ${wrong}`, word).not.toMatch(/\d/);
      if (rule) expect(ruleOf(rule), `${word}: ${rule}`).toBeDefined();
    }
    expect(wordsIn().filter(({ rule }) => rule).length).toBeGreaterThan(6);
  });

  it('explain only fields that the document has, and no field twice', () => {
    const all = wordsIn().flatMap(({ fields }) => fields);
    expect(new Set(all).size).toBe(all.length);
    for (const path of all) {
      const label = KINDS.map(({ id }) => {
        try {
          return fieldAt(path.replace(/\*/g, '0'), newPiece(id)).label;
        } catch {
          return null;
        }
      }).find(Boolean);
      expect(label, path).toBeTruthy();
    }
  });

  it('are found for a field wherever it stands in its list', () => {
    expect(wordFor('pads.3.offset')?.id).toBe('overhang');
    expect(wordFor('covering.welt.cord')?.id).toBe('welt');
    expect(wordFor('pads.3')).toBeNull();
    expect(wordFor('name')).toBeNull();
  });

  it('are found by what is searched, the word itself first', () => {
    expect(searchWords('welt')[0]!.id).toBe('welt');
    expect(searchWords('WOODEN lip')[0]!.id).toBe('hard-edge');
    expect(searchWords('seven moons')).toEqual([]);
    expect(searchWords('')).toHaveLength(wordsIn().length);
  });

  it('have drawings that stay in their box', () => {
    for (const { word, sketch } of wordsIn()) {
      if (!sketch) continue;
      const figures = [...sketch.matchAll(/-?\d+(\.\d+)?/g)].map(([text]) => Number(text));
      expect(
        figures.every((figure) => figure >= 0 && figure <= 120),
        word,
      ).toBe(true);
    }
  });
});
