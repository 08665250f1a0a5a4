'use client';

import { JOB, type Job } from '@/core/job';
import { fieldIn } from '@/core/piece';
import { TakeOut } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { SchemaField } from '@/ui/kit/fields/schema-field';

/** A job's own words: what it is called, for whom, by when, notes and photos. */
export function JobFields({ job, name, onChange }: { job: Job; name: string; onChange: (job: Job) => string | null }) {
  const photo = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('name' in saved) onChange({ ...job, photos: [...job.photos, saved.name] });
  };
  return (
    <div className="max-w-xl">
      {(['name', 'customer'] as const).map((at) => (
        <SchemaField
          key={at}
          field={fieldIn(JOB, at)}
          name={`${name} ${at}`}
          value={job[at]}
          onCommit={(value) => onChange({ ...job, [at]: String(value ?? '') })}
        />
      ))}
      <label className="text-sm block py-1">
        Due
        <input
          type="date"
          className="block px-2 py-1 bg-base-100 border border-base-content/40 rounded-sm"
          value={job.due}
          onChange={(event) => onChange({ ...job, due: event.target.value })}
        />
      </label>
      <SchemaField
        field={fieldIn(JOB, 'notes')}
        name={`${name} notes`}
        value={job.notes}
        onCommit={(value) => onChange({ ...job, notes: String(value ?? '') })}
      />
      <div className="flex items-center gap-2 flex-wrap">
        {job.photos.map((id, k) => (
          <span key={id} className="flex items-center">
            <img src={`/api/photos/${id}`} alt={`What was seen, ${k + 1}`} className="size-16 object-cover border border-base-content/40" />
            <TakeOut what={`photo ${k + 1}`} onClick={() => onChange({ ...job, photos: job.photos.filter((one) => one !== id) })} />
          </span>
        ))}
        <PhotoButton label="Photo of the job" onPhoto={(file) => void photo(file)}>
          Photo
        </PhotoButton>
      </div>
    </div>
  );
}
