'use client';

import { answerInShort, answerLine, withChosenLays, type AnswerFigure, type AnswerItem } from '@/core/sizes';
import { inUnit } from '@/core/length';
import { unmeasuredNames } from '@/core/piece';
import { Figure } from '@/ui/kit/fields/figure';
import { useSettings } from '@/ui/kit/settings';
import { useChosenLengths, usePiece, useSheet } from './store';

/** A figure that opens its reason among the sizes. */
function Answer({ figure, label }: { figure: AnswerFigure; label: string }) {
  const show = useSheet((state) => state.show);
  const unfolded = useSheet((state) => state.unfolded);
  const { key, group, says } = figure;
  return (
    <button
      type="button"
      className="min-h-6 font-semibold cursor-pointer underline decoration-base-content/30 underline-offset-4 hover:decoration-2"
      aria-label={`${label} ${says}: why`}
      data-answer={key}
      onClick={() => show({ why: key, unfolded: [...new Set([...unfolded, group])], drawer: true })}
    >
      <Figure says={says} />
    </button>
  );
}

/** One thing with its figures. */
function Item({ name, figures }: AnswerItem) {
  const { unit } = useSettings();
  return (
    <span className="inline-flex gap-1.5 items-center">
      <span className="text-base-content/80">{inUnit(name, unit)}</span>
      {figures.map((figure, i) => (
        <span key={figure.key} className="inline-flex items-center">
          <Answer figure={figure} label={name} />
          {i < figures.length - 1 ? ',' : ''}
        </span>
      ))}
    </span>
  );
}

/** What of it stands on sizes that nobody has measured, by name; pressed, it goes where they are typed. */
function NotMeasured() {
  const piece = usePiece();
  const goTo = useSheet((state) => state.goTo);
  const names = unmeasuredNames(piece);
  if (names.length === 0) return null;
  const listed = names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ');
  return (
    <button
      type="button"
      className="min-h-6 text-warning cursor-pointer underline decoration-base-content/30 underline-offset-4"
      data-not-measured={names.length}
      title={names.join(', ')}
      onClick={() => goTo('board')}
    >
      {names.length === 1 ? '1 size' : `${names.length} sizes`} not measured: {listed}
    </button>
  );
}

/** What everybody comes for, across the top of every stage: what to cut, the cloth, the work; each figure opens its reason. */
export function AnswerLine() {
  const { unit } = useSettings();
  const piece = usePiece();
  const answer = useSheet((state) => state.answer);
  const chosen = useChosenLengths();
  const problems = useSheet((state) => state.problems.length);
  const isWrong = answer !== null && (!answer.settled || answer.findings.length > 0);
  const { items, more } = answerInShort(answer && problems === 0 && !isWrong ? answerLine(withChosenLays(answer.lines, chosen), unit) : []);
  const [first] = more;
  const isCover = ({ figures }: AnswerItem): boolean => figures[0]!.group === 'Cover';
  const [cover, rest] = [items.filter(isCover), items.filter((item) => !isCover(item))];
  const current = answer?.of === piece;
  // Its line is there from the first paint: nothing below it moves when it is filled.
  return (
    <section
      aria-label="Answer"
      aria-busy={!current}
      className={`flex items-center gap-x-4 h-8 px-4 text-sm whitespace-nowrap overflow-x-auto [scrollbar-width:none] border-b border-base-content/25 shrink-0 drawer:flex-wrap drawer:h-auto drawer:min-h-8 ${current ? '' : 'italic'}`}
    >
      {isWrong && <strong className="text-error">Do not cut: this plan is wrong. See the notes.</strong>}
      {cover.map((item) => (
        <Item key={item.name} {...item} />
      ))}
      {first && <Answer figure={{ ...first, says: `${more.length} more parts` }} label="Cover," />}
      {rest.map((item) => (
        <Item key={item.name} {...item} />
      ))}
      <NotMeasured />
    </section>
  );
}
