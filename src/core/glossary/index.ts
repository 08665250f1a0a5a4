import EN from './en.json';
import type { Word } from './word';

export type { Word } from './word';

/** The words, language by language: a second language is a file like the first one. */
const LANGUAGES: Readonly<Record<'en', readonly Word[]>> = { en: EN };
export type Language = keyof typeof LANGUAGES;

/** Every word of a language, in the order in which the work meets them. */
export const wordsIn = (language: Language = 'en'): readonly Word[] => LANGUAGES[language];

/** The word that explains a field, or null. */
export function wordFor(field: string, language: Language = 'en'): Word | null {
  const path = field.replace(/\.\d+(?=\.|$)/g, '.*');
  return wordsIn(language).find(({ fields }) => fields.includes(path)) ?? null;
}

/** Words that have every part of what is searched, in their name or what is said of them; those whose name has it first. */
export function searchWords(search: string, language: Language = 'en'): Word[] {
  const parts = search.toLowerCase().split(/\s+/).filter(Boolean);
  const has = (text: string): boolean => parts.every((part) => text.toLowerCase().includes(part));
  const found = wordsIn(language).filter(({ word, is, from, wrong }) => has(`${word} ${is} ${from} ${wrong}`));
  return [...found.filter(({ word }) => has(word)), ...found.filter(({ word }) => !has(word))];
}
