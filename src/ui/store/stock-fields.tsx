'use client';

import { useState } from 'react';
import { fieldIn } from '@/core/piece';
import { FLAW, STOCK, STOCK_FORMS, type Flaw, type KeptStock, type KeptWare, type Stock } from '@/core/store';
import { ChoiceField, FigureField, LengthField } from '@/ui/kit/fields/fields';
import { AddOne, TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { useSettings } from '@/ui/kit/settings';
import { isFlat, saysOne } from './says';
import type { StoreHook } from './use-store';

type Draft = Stock & { id?: string };
type Change = (change: Partial<Draft>) => void;

/** A flaw by its place and size: from the left selvedge, and from the end. */
function Flaws({ draft, onChange }: { draft: Draft; onChange: Change }) {
  const flaws = draft.flaws ?? [];
  const put = (k: number, change: Partial<Flaw>): null => {
    onChange({ flaws: flaws.map((flaw, i) => (i === k ? { ...flaw, ...change } : flaw)) });
    return null;
  };
  const first: Flaw = { x: fieldIn(FLAW, 'x').default as number, y: fieldIn(FLAW, 'y').default as number, width: 50, height: 50 };
  return (
    <>
      {flaws.map((flaw, k) => (
        <fieldset key={k} className="border-l-2 border-base-content/25 pl-2 mb-1">
          <div className="flex items-center">
            <legend className="text-sm">Flaw {k + 1}</legend>
            <TakeOut what={`flaw ${k + 1}`} onClick={() => onChange({ flaws: flaws.filter((_, i) => i !== k) })} />
          </div>
          <div className="grid grid-cols-2 gap-x-3">
            {(['x', 'y', 'width', 'height'] as const).map((at) => (
              <SchemaField
                key={at}
                field={fieldIn(FLAW, at)}
                name={`flaw ${k} ${at}`}
                value={flaw[at]}
                onCommit={(value) => put(k, { [at]: value as number })}
                compact
              />
            ))}
          </div>
        </fieldset>
      ))}
      <AddOne onClick={() => onChange({ flaws: [...flaws, first] })}>Mark a flaw</AddOne>
    </>
  );
}

/** An offcut that is no rectangle, by its corners. */
function Corners({ draft, onChange }: { draft: Draft; onChange: Change }) {
  const { outline } = draft;
  const box = (): [number, number][] => [
    [0, 0],
    [draft.width ?? 500, 0],
    [draft.width ?? 500, draft.length ?? 500],
    [0, draft.length ?? 500],
  ];
  if (!outline) return <AddOne onClick={() => onChange({ outline: box() })}>It is no rectangle</AddOne>;
  const put = (k: number, at: 0 | 1, value: number): null => {
    onChange({ outline: outline.map((item, i): [number, number] => (i === k ? (at === 0 ? [value, item[1]] : [item[0], value]) : item)) });
    return null;
  };
  return (
    <fieldset className="border-l-2 border-base-content/25 pl-2 my-1">
      <div className="flex items-center">
        <legend className="text-sm">Corners, in the order they go round</legend>
        <TakeOut what="the outline" onClick={() => onChange({ outline: undefined })} />
      </div>
      {outline.map(([x, y], k) => (
        <div key={k} className="grid grid-cols-2 gap-x-3">
          <LengthField label={`${k + 1}, across`} name={`corner ${k} x`} value={x} onCommit={(value) => put(k, 0, value)} compact />
          <LengthField label="along" name={`corner ${k} y`} value={y} onCommit={(value) => put(k, 1, value)} compact />
        </div>
      ))}
      <AddOne onClick={() => onChange({ outline: [...outline, [outline[0]![0] + 50, outline[0]![1] + 50]] })}>A corner more</AddOne>
    </fieldset>
  );
}

function StockForm({ ware, draft, onChange }: { ware: KeptWare; draft: Draft; onChange: Change }) {
  const forms = isFlat(ware) || ware.sold === 'roll' ? STOCK_FORMS : STOCK_FORMS.slice(0, 1);
  const [message, setMessage] = useState<string | null>(null);
  const photo = async (file: File) => {
    const saved = await keepPhoto(file);
    setMessage('message' in saved ? saved.message : null);
    if ('name' in saved) onChange({ photo: saved.name });
  };
  return (
    <>
      <ChoiceField label="Form" value={draft.form} options={forms} onChange={(form) => onChange({ form })} />
      <FigureField
        label={draft.form === 'full' && ware.sold === 'metre' ? 'Metres' : 'How many'}
        name="stock count"
        value={draft.count}
        onCommit={(count) => {
          onChange({ count });
          return null;
        }}
      />
      {draft.form !== 'full' && (
        <>
          {(['width', 'length'] as const).map((at) => (
            <SchemaField
              key={at}
              field={fieldIn(STOCK, at)}
              name={`stock ${at}`}
              value={draft[at] ?? (at === 'width' ? (ware.width ?? null) : null)}
              onCommit={(value) => {
                onChange({ [at]: value as number });
                return null;
              }}
            />
          ))}
          {isFlat(ware) && <Flaws draft={draft} onChange={onChange} />}
          {draft.form === 'offcut' && <Corners draft={draft} onChange={onChange} />}
        </>
      )}
      <SchemaField
        field={fieldIn(STOCK, 'place')}
        name="stock place"
        value={draft.place}
        onCommit={(value) => {
          onChange({ place: String(value ?? '') });
          return null;
        }}
      />
      <PhotoButton label="Photo of it" onPhoto={(file) => void photo(file)}>
        {draft.photo ? 'Another photo' : 'Photo of it'}
      </PhotoButton>
      <Wrong message={message} />
    </>
  );
}

/** What is there of a thing, each with its place, and ways to put more in and take some out. */
export function StockOf({ ware, stock, store }: { ware: KeptWare; stock: readonly KeptStock[]; store: StoreHook }) {
  const { unit } = useSettings();
  const matching = stock.filter((saved) => saved.ware === ware.id);
  const [draft, setDraft] = useState<Draft | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const start = (): Draft => ({ ware: ware.id, form: isFlat(ware) && ware.sold === 'metre' ? 'part' : 'full', count: 1, place: '' });
  const keep = async () => {
    if (!draft) return;
    const { id, ...reported } = draft;
    // The width of a roll is the roll's unless somebody says otherwise.
    const whole: Stock = reported.form === 'full' ? reported : { ...reported, width: reported.width ?? ware.width };
    const { message: wrong } = await store.keepStock(JSON.parse(JSON.stringify(whole)) as Stock, id);
    setMessage(wrong);
    if (!wrong) setDraft(null);
  };
  return (
    <section aria-label="In the store" className="border-t border-base-content/25 pt-2 mt-2">
      <h3 className="font-semibold text-sm">In the store</h3>
      {matching.length === 0 && <p className="text-sm">None in stock.</p>}
      <ul className="text-sm">
        {matching.map((saved) => (
          <li key={saved.id} className="flex items-center gap-2" data-stock={saved.id}>
            {saved.photo && <img src={`/api/photos/${saved.photo}`} alt="" className="size-8 object-cover" />}
            <button type="button" className="underline text-left cursor-pointer py-1" onClick={() => setDraft(saved)}>
              {saysOne(saved, ware, unit)}
            </button>
            <span className="text-base-content/80">{saved.place}</span>
            <TakeOut
              what={saysOne(saved, ware, unit)}
              onClick={() => void store.removeStock(saved.id).then((answer) => setMessage(answer.message))}
            />
          </li>
        ))}
      </ul>
      <Wrong message={message} />
      {draft ? (
        <fieldset className="border border-base-content/30 p-2 mt-1">
          <legend className="text-sm px-1">{draft.id ? 'In stock' : 'Add stock'}</legend>
          <StockForm ware={ware} draft={draft} onChange={(change) => setDraft({ ...draft, ...change })} />
          <div className="flex justify-end gap-2 pt-1">
            <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={() => setDraft(null)}>
              Cancel
            </button>
            <button type="button" className="btn btn-sm btn-outline" onClick={() => void keep()}>
              {draft.id ? 'Save' : 'Add'}
            </button>
          </div>
        </fieldset>
      ) : (
        <AddOne onClick={() => setDraft(start())}>Put in</AddOne>
      )}
    </section>
  );
}
