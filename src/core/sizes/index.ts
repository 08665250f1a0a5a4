export { answerInShort, answerLine, type AnswerFigure, type AnswerItem } from './answer';
export { CHOSEN, withChosenLays, type ChosenLengths } from './chosen-lays';
export { crownOf } from './padding-sizes';
export { printFigure } from './print-figure';
export { sizesOf } from './sizes';
export { SIZE_GROUPS, type SizeGroup, type SizeLine, type SizeUnit, type SumPart, type Term } from './types';
