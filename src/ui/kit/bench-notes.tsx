import type { BenchNote } from '@/data/diary';

type BenchNotesProps = {
  notes: readonly BenchNote[];
  /** how many there are in the set: of one alone nobody says which */
  count: number;
  /** whether the step is said with it */
  named?: boolean;
};

/** What was said at the bench: by whom, of which of the set, how long it took, what was measured, seen and photographed. */
export function BenchNotes({ notes, count, named }: BenchNotesProps) {
  if (notes.length === 0) return null;
  return (
    <ul className="mt-1 border-l-2 border-base-content/30 pl-2">
      {notes.map(({ id, name, step, unit, person, took, reading, note, photo }) => (
        <li key={id} data-note={id} className="flex flex-wrap items-center gap-2">
          <span translate="no">
            {[
              named ? name || step : '',
              person,
              count > 1 && unit > 0 ? `piece ${unit}` : '',
              took === null ? '' : `${took} min`,
              reading,
              note,
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
          {photo && (
            <a href={`/api/photos/${photo}`} target="_blank" rel="noreferrer">
              <img src={`/api/photos/${photo}`} alt={`${name || step}, photographed`} className="size-12 object-cover" />
            </a>
          )}
        </li>
      ))}
    </ul>
  );
}
