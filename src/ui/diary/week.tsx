'use client';

import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useRef } from 'react';
import { DAY, dayAfter, daysBetween, momentOf, sayMinute, weekdayOf, WEEKDAYS, type DiaryInput } from '@/core/diary';
import { readTaskId, type Done } from '@/core/run/schedule';
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
  done: Done;
  span: readonly [number, number];
  day: number;
  says: string;
  hatch: string;
  pinned: boolean;
  chosen: boolean;
  onChoose: () => void;
};

/** One stretch of work: pressed it tells what it is, dragged it is laid elsewhere. */
function Block({ done, span: [from, to], day, says, hatch, pinned, chosen, onChoose }: BlockProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `${done.id}|${from}` });
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
      data-task={done.id}
      className={`absolute top-1 bottom-1 overflow-hidden text-left text-xs leading-tight border ${width > 4 ? 'px-1' : 'p-0'} bg-base-200 ${chosen ? 'border-2 border-primary z-10' : 'border-base-content/60'} ${isDragging ? 'opacity-70 z-20' : ''}`}
      style={{
        left: `${left}%`,
        width: `${width}%`,
        ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}),
      }}
    >
      <span aria-hidden className="absolute inset-x-0 bottom-0 h-2" style={{ backgroundImage: hatch }} />
      {width > 4 && (
        <span className="relative">
          {pinned && '• '}
          {says}
        </span>
      )}
    </button>
  );
}

type WeekProps = {
  input: DiaryInput;
  done: readonly Done[];
  /** the first day that is shown */
  first: string;
  days: number;
  pinned: ReadonlySet<string>;
  chosen: string | null;
  words: (task: string) => { step: string; piece: string };
  onChoose: (task: string) => void;
  onLay: (task: string, day: string, minute: number, who: string) => void;
};

/** The schedule by day and by person. */
export function Week({ input, done, first, days, pinned, chosen, words, onChoose, onLay }: WeekProps) {
  const { people } = input.shop;
  const place = useRef<HTMLDivElement>(null);
  // A press chooses; only what is moved is dragged.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const offset = daysBetween(input.begins, first);
  const hatchOf = new Map(input.pieces.map(({ id }, k) => [id, HATCHES[k % HATCHES.length]!]));
  const drop = ({ active, delta }: DragEndEvent): void => {
    const [task = '', from] = String(active.id).split('|');
    const own = done.find(({ id }) => id === task);
    const width = (place.current?.clientWidth ?? 0) / days;
    if (!own || width === 0) return;
    const moved = delta.x * ((SHOWN.to - SHOWN.from) / width);
    const start = momentOf(input.begins, Number(from));
    const shift = Math.trunc((start.minute - SHOWN.from + moved) / (SHOWN.to - SHOWN.from));
    const minute = start.minute + moved - shift * (SHOWN.to - SHOWN.from);
    const row = people.findIndex(({ id }) => id === own.who) + Math.round(delta.y / ROW);
    const who = people[Math.min(people.length - 1, Math.max(0, row))]!;
    onLay(task, dayAfter(start.day, shift), Math.max(0, Math.round(minute / QUARTER) * QUARTER), who.id);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <div className="flex border border-base-content/30" data-week={first}>
        <div className="w-28 shrink-0 border-r border-base-content/30">
          <div className="h-8" />
          {people.map(({ id, name }) => (
            <div key={id} className="px-2 flex items-center text-sm border-t border-base-content/20" style={{ height: ROW }}>
              {name}
            </div>
          ))}
        </div>
        <div ref={place} className="flex-1 min-w-0 flex">
          {Array.from({ length: days }, (_, k) => {
            const day = dayAfter(first, k);
            return (
              <div key={day} className="flex-1 min-w-0 border-r border-base-content/20 last:border-r-0" data-day={day}>
                <div className="h-8 px-1 text-sm truncate leading-8">
                  {WEEKDAYS[weekdayOf(day)]!.slice(0, 3)} {sayDay(day)}
                </div>
                {people.map(({ id }) => (
                  <div key={id} className="relative border-t border-base-content/20" style={{ height: ROW }}>
                    {done
                      .filter(({ who }) => who === id)
                      .flatMap((own) =>
                        own.spans
                          .filter(([from]) => Math.floor(from / DAY) === offset + k)
                          .map((span) => {
                            const { step, piece } = words(own.id);
                            return (
                              <Block
                                key={`${own.id} ${span[0]}`}
                                done={own}
                                span={span}
                                day={offset + k}
                                says={`${step}, ${piece}, ${sayMinute(span[0] - (offset + k) * DAY)} to ${sayMinute(span[1] - (offset + k) * DAY)}`}
                                hatch={hatchOf.get(readTaskId(own.id).piece) ?? ''}
                                pinned={pinned.has(own.id)}
                                chosen={chosen === own.id}
                                onChoose={() => onChoose(own.id)}
                              />
                            );
                          }),
                      )}
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
