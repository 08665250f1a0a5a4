'use client';

import { useState } from 'react';
import { newPerson, readMinute, sayMinute, SHOP, WEEKDAYS, type Person, type Shop } from '@/core/scheduling';
import { freeId } from '@/core/piece';
import { fieldIn } from '@/core/piece/schema/field-at';
import { FigureField, TextField } from '@/ui/kit/fields/fields';
import { AddOne, Item, Wrong } from '@/ui/kit/fields/lists';
import { send, UNREACHED } from '@/ui/kit/api';

const PLACES = ['benches', 'tables', 'machines', 'sprays', 'racks'] as const;

/** A time of the day, typed as it is said: 8, 8.30, 16:45. */
function TimeField({
  label,
  name,
  value,
  onCommit,
}: {
  label: string;
  name: string;
  value: number;
  onCommit: (minute: number) => string | null;
}) {
  return (
    <TextField
      label={label}
      name={name}
      value={sayMinute(value)}
      onCommit={(typed) => {
        const minute = readMinute(typed);
        return minute === null ? `“${typed}” is not a time; write it like 8.30` : onCommit(minute);
      }}
    />
  );
}

type PersonProps = { person: Person; onChange: (next: Person) => string | null };

/** Days on which somebody is away. */
function DaysOff({ person, onChange }: PersonProps) {
  const [day, setDay] = useState('');
  return (
    <>
      <div className="flex items-end gap-2 text-sm mt-1">
        <label className="block">
          Day off
          <input
            type="date"
            className="block border border-base-content/40 px-1 h-9 bg-base-100"
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
        </label>
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          disabled={day === '' || person.off.includes(day)}
          onClick={() => {
            onChange({ ...person, off: [...person.off, day].sort() });
            setDay('');
          }}
        >
          Add it
        </button>
      </div>
      {person.off.length > 0 && (
        <p className="text-sm flex flex-wrap gap-1 mt-1">
          {person.off.map((id) => (
            <button
              key={id}
              type="button"
              className="border border-base-content/40 px-1"
              aria-label={`${person.name} is there on ${id} after all`}
              onClick={() => onChange({ ...person, off: person.off.filter((other) => other !== id) })}
            >
              {id} ×
            </button>
          ))}
        </p>
      )}
    </>
  );
}

function PersonFields({ person, onChange }: PersonProps) {
  const days = WEEKDAYS.filter((_, k) => person.days[k]).map((weekday) => weekday.slice(0, 2));
  const hours = `${sayMinute(person.from)} to ${sayMinute(person.to)}${person.breakFor > 0 ? `, break ${person.breakFor} min at ${sayMinute(person.breakAt)}` : ''}`;
  return (
    <details>
      <summary className="text-sm cursor-pointer py-1">
        {days.join(' ') || 'No days'}, {hours}
      </summary>
      <TextField label="Name" name={`${person.id} name`} value={person.name} onCommit={(name) => onChange({ ...person, name })} />
      <fieldset className="flex gap-1 my-1">
        <legend className="text-sm">Works on</legend>
        {WEEKDAYS.map((weekday, k) => (
          <label
            key={weekday}
            className={`px-2 h-9 flex items-center border text-sm cursor-pointer ${person.days[k] ? 'bg-base-content text-base-100' : 'border-base-content/40'}`}
          >
            <input
              type="checkbox"
              className="sr-only"
              checked={person.days[k]!}
              aria-label={`${person.name}, ${weekday}`}
              onChange={(event) => onChange({ ...person, days: person.days.map((works, i) => (i === k ? event.target.checked : works)) })}
            />
            {weekday.slice(0, 2)}
          </label>
        ))}
      </fieldset>
      <div className="grid grid-cols-2 gap-x-4 items-end">
        <TimeField label="Begins" name={`${person.id} from`} value={person.from} onCommit={(from) => onChange({ ...person, from })} />
        <TimeField label="Ends" name={`${person.id} to`} value={person.to} onCommit={(to) => onChange({ ...person, to })} />
        <TimeField
          label="Break at"
          name={`${person.id} break`}
          value={person.breakAt}
          onCommit={(breakAt) => onChange({ ...person, breakAt })}
        />
        <FigureField
          label="Break lasts"
          suffix="min"
          whole
          name={`${person.id} break for`}
          value={person.breakFor}
          onCommit={(breakFor) => onChange({ ...person, breakFor: breakFor ?? 0 })}
        />
      </div>
      <DaysOff person={person} onChange={onChange} />
    </details>
  );
}

/** The shop as the workshop has it, changed at once and put back where it is refused. */
function useShop(first: Shop) {
  const [shop, setShop] = useState(first);
  const [message, setMessage] = useState<string | null>(null);
  const put = (next: Shop): null => {
    setShop(next);
    send<{ shop: Shop }>('PUT', '/api/diary/shop', { shop: next })
      .then((answer) => {
        setMessage(answer.ok ? null : (answer.data.message ?? UNREACHED));
        if (!answer.ok) setShop(shop);
      })
      .catch(() => {
        setMessage(UNREACHED);
        setShop(shop);
      });
    return null;
  };
  return { shop, message, setMessage, put };
}

/** Who works here, when, and how many can be at a thing at once. */
export function People({ first }: { first: Shop }) {
  const { shop, message, setMessage, put } = useShop(first);
  const setPerson = (k: number, next: Person) => put({ ...shop, people: shop.people.map((person, i) => (i === k ? next : person)) });
  return (
    <section id="people" aria-label="People and places" className="mb-6">
      <h2 className="font-display text-lg">People and places</h2>
      <Wrong message={message} />
      <div className="grid grid-cols-2 upright:grid-cols-1 gap-x-8">
        <div>
          {shop.people.map((person, k) => (
            <Item
              key={person.id}
              title={person.name || 'Somebody'}
              what={person.name || 'somebody'}
              onTakeOut={() =>
                shop.people.length > 1
                  ? put({ ...shop, people: shop.people.filter((_, i) => i !== k) })
                  : setMessage('At least one person works here')
              }
            >
              <PersonFields person={person} onChange={(next) => setPerson(k, next)} />
            </Item>
          ))}
          <AddOne
            onClick={() =>
              put({
                ...shop,
                people: [...shop.people, newPerson({ id: freeId(shop.people, 'p-'), name: `Hand ${shop.people.length + 1}` })],
              })
            }
          >
            Add a person
          </AddOne>
        </div>
        <div>
          {PLACES.map((key) => (
            <FigureField
              key={key}
              label={fieldIn(SHOP, key).label}
              name={`shop ${key}`}
              whole
              value={shop[key]}
              onCommit={(value) => put({ ...shop, [key]: value ?? 1 })}
            />
          ))}
        </div>
      </div>
    </section>
  );
}
