'use client';

import { useState } from 'react';
import { CLOTHS } from '@/core/cloth';
import { BOARDS, FOAMS, WADDINGS } from '@/core/foam';
import { CLOTH, fieldIn, OWN_FOAM, type Cloth } from '@/core/piece';
import { CLOTH_ASKED, clothOf, knownPrice, SIZE_HINTS, sizesAsked, sortsOf, WARE, wareKind, type Ware } from '@/core/store';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { Part, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { SchemaField } from '@/ui/kit/fields/schema-field';

type Change = (change: Partial<Ware>) => void;

/** One field of a thing, as its schema says. */
function Field({ ware, at, onChange, hint }: { ware: Ware; at: keyof Ware; onChange: Change; hint?: string }) {
  const field = fieldIn(WARE, at);
  return (
    <SchemaField
      field={field}
      name={`ware ${at}`}
      value={at === 'price' ? knownPrice(ware) : (ware[at] ?? field.default ?? null)}
      hint={hint ?? field.hint}
      foam={at === 'thickness' && ware.kind === 'foam'}
      onCommit={(value) => {
        // A price that somebody types is the workshop's own.
        onChange({ [at]: value ?? undefined, ...(at === 'price' ? { guide: undefined } : {}) } as Partial<Ware>);
        return null;
      }}
    />
  );
}

/** Materials that a plan can be made with, by the kind that they are bought as. */
function materialsOf(kind: Ware['kind']): readonly { id: string; name: string }[] {
  if (kind === 'foam') return FOAMS;
  if (kind === 'wadding') return WADDINGS;
  return kind === 'board' ? BOARDS : sortsOf(kind);
}

function ClothFields({ ware, onChange }: { ware: Ware; onChange: Change }) {
  const cloth: Cloth = ware.cloth ?? { ...clothOf(CLOTHS[0]!), name: ware.name };
  return (
    <Part title="What it is" open>
      <div>
        {CLOTH_ASKED.map((at) => {
          const field = fieldIn(CLOTH, at);
          return (
            <SchemaField
              key={at}
              field={field}
              name={`ware cloth ${at}`}
              value={cloth[at] ?? field.default ?? null}
              onCommit={(value) => {
                onChange({ cloth: { ...cloth, [at]: value } as Cloth });
                return null;
              }}
            />
          );
        })}
      </div>
    </Part>
  );
}

function OwnFoamFigures({ ware, onChange }: { ware: Ware; onChange: Change }) {
  if (!ware.foam) return null;
  const item = ware.foam;
  return (
    <Part title="What it is" open>
      <div>
        {(['type', 'density', 'ifd25', 'supportFactor'] as const).map((at) => (
          <SchemaField
            key={at}
            field={fieldIn(OWN_FOAM, at)}
            name={`ware foam ${at}`}
            value={item[at]}
            onCommit={(value) => {
              onChange({ foam: { ...item, [at]: value } });
              return null;
            }}
          />
        ))}
      </div>
    </Part>
  );
}

/** A photo of a thing, or of its certificate. */
function Photo({ ware, at, says, onChange }: { ware: Ware; at: 'photo' | 'proof'; says: string; onChange: Change }) {
  const [message, setMessage] = useState<string | null>(null);
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    setMessage('message' in saved ? saved.message : null);
    if ('name' in saved) onChange({ [at]: saved.name });
  };
  return (
    <div className="flex items-center gap-2 py-1">
      {ware[at] && <img src={`/api/photos/${ware[at]}`} alt={says} className="size-14 object-cover border border-base-content/40" />}
      <PhotoButton label={says} onPhoto={(file) => void take(file)}>
        {says}
      </PhotoButton>
      <Wrong message={message} />
    </div>
  );
}

/** Everything that is known of a thing: what it is, how it is sold, what it costs, from whom. */
export function WareFields({ ware, onChange }: { ware: Ware; onChange: Change }) {
  const sizes = sizesAsked(ware);
  const materials = materialsOf(ware.kind);
  const sorted = sortsOf(ware.kind).length > 0;
  const entries = ware.foam ? [{ id: ware.foam.id, name: `${ware.foam.name} (our own)` }] : [];
  return (
    <>
      <Field ware={ware} at="name" onChange={onChange} />
      {materials.length > 0 && (
        <ChoiceField
          label={sorted ? 'Type' : wareKind(ware.kind).name}
          value={ware.of}
          options={[{ id: '', name: sorted ? 'Any' : 'Not said' }, ...entries, ...materials.map(({ id, name }) => ({ id, name }))]}
          onChange={(of) => onChange({ of })}
        />
      )}
      <div>
        <Field ware={ware} at="sold" onChange={onChange} />
        {sizes.map((at) => (
          <Field
            key={at}
            ware={ware}
            at={at}
            onChange={onChange}
            {...(at === 'width' && !wareKind(ware.kind).flat ? { hint: '' } : {})}
            {...(SIZE_HINTS[ware.kind]?.[at] ? { hint: SIZE_HINTS[ware.kind]![at]! } : {})}
          />
        ))}
        <Field ware={ware} at="price" onChange={onChange} {...(ware.sold === 'metre' ? {} : { hint: '' })} />
        <Field ware={ware} at="breakFrom" onChange={onChange} />
        <Field ware={ware} at="breakLess" onChange={onChange} />
        <Field ware={ware} at="lead" onChange={onChange} />
      </div>
      <Field ware={ware} at="supplier" onChange={onChange} />
      {ware.kind === 'cloth' && <ClothFields ware={ware} onChange={onChange} />}
      <OwnFoamFigures ware={ware} onChange={onChange} />
      <Part title="Fire certificate, photos, notes">
        <Field ware={ware} at="certificate" onChange={onChange} />
        <Photo ware={ware} at="proof" says="Photo of the certificate" onChange={onChange} />
        <Photo ware={ware} at="photo" says="Photo of it" onChange={onChange} />
        <Field ware={ware} at="notes" onChange={onChange} />
        <p className="text-xs">This records, it does not certify; follow your local rules.</p>
      </Part>
    </>
  );
}
