export function wordsText(): string;
