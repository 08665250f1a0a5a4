'use client';

import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useRef } from 'react';
import { DAY, daysBetween, momentOf, sayMinute, weekdayOf, WEEKDAYS, type DiaryInput, type StepToDo } from '@/core/scheduling';
import { readTaskId, type Done } from '@/core/scheduling/solver';
import { printFigure } from '@/core/sizes';
import { sayDay } from '@/ui/kit/day';

/** The hours that are shown of a day. */
const SHOWN = { from: 420, to: 1080 };
/** Dragged it lands on the quarter of an hour. */
const QUARTER = 15;
/** Rows of the drawing, px. */
const ROW = 64;

/** Hatches of the pieces: told apart without their colour. */
const HATCHES = [
  '',
  'repeating-linear-gradient(45deg,transparent 0 5px,var(--ink) 5px 6px)',
  'repeating-linear-gradient(90deg,transparent 0 5px,var(--ink) 5px 6px)',
  'repeating-linear-gradient(-45deg,transparent 0 7px,var(--ink) 7px 8px)',
  'repeating-linear-gradient(0deg,transparent 0 5px,var(--ink) 5px 6px)',
];

/** Where a stretch of work is drawn in its day, percent of the width. */
const across = (minute: number): number =>
  (100 * (Math.min(SHOWN.to, Math.max(SHOWN.from, minute)) - SHOWN.from)) / (SHOWN.to - SHOWN.from);

type BlockProps = {
  run: Run;
  day: number;
  /** what is read out and told on hover, and what is written on it */
  says: string;
  shown: string;
  hatch: string;
  pinned: boolean;
  chosen: boolean;
  /** narrower than this nothing is written on it, percent of its day */
  least: number;
  onChoose: () => void;
};

/** One stretch of work: pressed it tells what it is, dragged it is laid elsewhere. */
function Block({ run, day, says, shown, hatch, pinned, chosen, least, onChoose }: BlockProps) {
  const [from, to] = run.span;
  const [{ id }] = run.tasks as [Done];
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `${id}|${from}` });
  const left = across(from - day * DAY);
  const width = Math.max(0.6, across(to - day * DAY) - left);
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      onClick={onChoose}
      title={says}
      aria-label={says}
      aria-pressed={chosen}
      data-task={id}
      data-from={from}
      className={`absolute top-1 bottom-1 overflow-hidden text-left text-xs leading-tight border ${width > least ? 'px-1' : 'p-0'} bg-base-200 ${chosen ? 'border-2 border-primary z-10' : 'border-base-content/60'} ${isDragging ? 'opacity-70 z-20' : ''}`}
      style={{
        left: `${left}%`,
        width: `${width}%`,
        ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}),
      }}
    >
      <span aria-hidden className="absolute inset-x-0 bottom-0 h-2" style={{ backgroundImage: hatch }} />
      {width > least && (
        <span className="relative line-clamp-2 mb-2">
          {pinned && '• '}
          {shown}
        </span>
      )}
    </button>
  );
}

/** Stretches of work on one piece with less between them than this are drawn as one, minutes. */
const TOGETHER = 20;

/** A task in one of its spans. */
type Span = { task: Done; span: readonly [number, number] };

/** A run of work on one piece, as it is drawn: from its first task to its last. */
type Run = { tasks: readonly Done[]; span: readonly [number, number] };

/** What one person does on a day, task by task. */
export function spansOf(done: readonly Done[], who: string, day: number): Span[] {
  return done
    .filter((candidate) => candidate.who === who)
    .flatMap((task) => task.spans.filter(([from]) => Math.floor(from / DAY) === day).map((span): Span => ({ task, span })))
    .sort((a, b) => a.span[0] - b.span[0]);
}

/** The same by runs of work on one piece. */
export function runsOf(done: readonly Done[], who: string, day: number): Run[] {
  return spansOf(done, who, day).reduce<Run[]>((runs, { task, span }) => {
    const last = runs.at(-1);
    const same = last && readTaskId(last.tasks[0]!.id).piece === readTaskId(task.id).piece && span[0] - last.span[1] < TOGETHER;
    if (!last || !same) return [...runs, { tasks: [task], span }];
    return [...runs.slice(0, -1), { tasks: [...last.tasks, task], span: [last.span[0], span[1]] }];
  }, []);
}

/** What is done at a place that is for one thing. */
const AT_PLACE: Partial<Record<NonNullable<StepToDo['place']>, string>> = { table: 'cut', machine: 'sew', spray: 'glue', site: 'on site' };
/** What is worked on at the bench. */
const AT_BENCH: Record<StepToDo['strand'], string> = {
  strip: 'strip',
  base: 'board',
  pads: 'padding',
  cloth: 'cover',
  loose: 'cushions',
  piece: 'cover',
};

/**
 * A run of work in words: "Dome-room chairs: cut, glue, padding, 70 min".
 *
 * @param piece its name
 * @param steps its steps, where and on what each is done
 * @param minutes how long it takes
 */
export function saysRun(piece: string, steps: readonly Pick<StepToDo, 'place' | 'strand'>[], minutes: number): string {
  const work = new Set(steps.map(({ place, strand }) => (place && AT_PLACE[place]) ?? AT_BENCH[strand]));
  return `${piece}: ${[...work].join(', ')}, ${printFigure(minutes, 'minutes', 'mm')}`;
}

/**
 * Where a stretch of work lands that was dragged: on the day whose column it is drawn in, which after a Friday is a Monday.
 *
 * @param days the days that are drawn, one beside the other
 * @param start where it was taken
 * @param moved how far it was dragged, in minutes of what is drawn
 * @returns a quarter of an hour of a day that is drawn
 */
export function laidAt(days: readonly string[], start: { day: string; minute: number }, moved: number): { day: string; minute: number } {
  const long = SHOWN.to - SHOWN.from;
  const column = days.indexOf(start.day);
  const quarter = Math.round((start.minute - SHOWN.from + moved) / QUARTER) * QUARTER;
  const last = days.length * long - QUARTER;
  const along = Math.min(last, Math.max(0, column * long + quarter));
  return { day: days[Math.floor(along / long)]!, minute: SHOWN.from + (along % long) };
}

type WeekProps = {
  input: DiaryInput;
  done: readonly Done[];
  /** the days that are shown */
  days: readonly string[];
  pinned: ReadonlySet<string>;
  chosen: string | null;
  onChoose: (task: string) => void;
  onLay: (task: string, day: string, minute: number, who: string) => void;
};

/** The schedule by day and by person. */
export function Week({ input, done, days, pinned, chosen, onChoose, onLay }: WeekProps) {
  const { people } = input.shop;
  const place = useRef<HTMLDivElement>(null);
  // A press chooses; only what is moved is dragged.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const hatchOf = new Map(input.pieces.map(({ id }, k) => [id, HATCHES[k % HATCHES.length]!]));
  const drop = ({ active, delta }: DragEndEvent): void => {
    const [task = '', from] = String(active.id).split('|');
    const found = done.find(({ id }) => id === task);
    const width = (place.current?.clientWidth ?? 0) / days.length;
    if (!found || width === 0) return;
    const minutesMoved = delta.x * ((SHOWN.to - SHOWN.from) / width);
    const to = laidAt(days, momentOf(input.begins, Number(from)), minutesMoved);
    const row = people.findIndex(({ id }) => id === found.who) + Math.round(delta.y / ROW);
    const who = people[Math.min(people.length - 1, Math.max(0, row))]!;
    onLay(task, to.day, to.minute, who.id);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <div className="flex border border-base-content/30" data-days={days.length}>
        <div className="w-28 shrink-0 border-r border-base-content/30">
          <div className="h-8" />
          {people.map(({ id, name }) => (
            <div key={id} className="px-2 flex items-center text-sm border-t border-base-content/20" style={{ height: ROW }}>
              {name}
            </div>
          ))}
        </div>
        <div ref={place} className="flex-1 min-w-0 flex">
          {days.map((day) => {
            const at = daysBetween(input.begins, day);
            return (
              <div key={day} className="flex-1 min-w-0 border-r border-base-content/20 last:border-r-0" data-day={day}>
                <div className="h-8 px-1 text-sm truncate leading-8">
                  {WEEKDAYS[weekdayOf(day)]!.slice(0, 3)} {sayDay(day)}
                </div>
                {people.map(({ id }) => (
                  <div key={id} className="relative border-t border-base-content/20" style={{ height: ROW }}>
                    {runsOf(done, id, at).map((run) => {
                      const [first] = run.tasks as [Done];
                      const [from, to] = run.span;
                      const pieceToDo = input.pieces.find(({ id: piece }) => piece === readTaskId(first.id).piece);
                      const steps = run.tasks.flatMap((task) => pieceToDo?.steps.find(({ key }) => key === readTaskId(task.id).step) ?? []);
                      const says = saysRun(pieceToDo?.name ?? '', steps, to - from);
                      return (
                        <Block
                          key={`${first.id} ${from}`}
                          run={run}
                          day={at}
                          shown={says}
                          says={`${says}, ${sayMinute(from - at * DAY)} to ${sayMinute(to - at * DAY)}`}
                          hatch={hatchOf.get(readTaskId(first.id).piece) ?? ''}
                          pinned={run.tasks.some((task) => pinned.has(task.id))}
                          chosen={run.tasks.some((task) => task.id === chosen)}
                          least={days.length > 1 ? 14 : 4}
                          onChoose={() => onChoose(first.id)}
                        />
                      );
                    })}
                  </div>
                ))}
              </div>
            );
          })}
        </div>
      </div>
    </DndContext>
  );
}

type DayListProps = Pick<WeekProps, 'input' | 'done' | 'chosen' | 'onChoose'> & {
  words: (task: string) => { step: string; piece: string };
  day: string;
};

/** A day as it is read from a wall: each person's work, one thing under the other. */
export function DayList({ input, done, day, chosen, words, onChoose }: DayListProps) {
  const at = daysBetween(input.begins, day);
  return (
    <div className="grid gap-6 mt-2" style={{ gridTemplateColumns: `repeat(${Math.min(3, input.shop.people.length)}, minmax(0, 1fr))` }}>
      {input.shop.people.map(({ id, name }) => (
        <section key={id} aria-label={`${name}’s day`} className="max-h-96 overflow-y-auto">
          <h3 className="font-semibold text-sm">{name}</h3>
          <ol className="text-sm">
            {spansOf(done, id, at).map(({ task, span }) => {
              const { step, piece } = words(task.id);
              return (
                <li key={`${task.id} ${span[0]}`} className="border-b border-base-content/15">
                  <button
                    type="button"
                    aria-pressed={chosen === task.id}
                    data-listed={task.id}
                    className={`w-full text-left py-1 flex gap-3 ${chosen === task.id ? 'bg-base-200 font-semibold' : ''}`}
                    onClick={() => onChoose(task.id)}
                  >
                    <span className="w-12 shrink-0 tabular-nums">{sayMinute(span[0] - at * DAY)}</span>
                    <span>
                      {step}, {piece}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </section>
      ))}
    </div>
  );
}
