'use client';

import { inUnit } from '@/core/length';
import { useSettings } from '@/ui/kit/settings';
import { usePlan, useSheet } from '@/ui/sheet/store';
import { usePieceJob } from '@/ui/sheet/use-piece-job';

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** What would ask less of the cloth, each laid flat again before it is offered. */
function Tried() {
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  const job = usePieceJob('proposals');
  return (
    <>
      {job.running && (
        <p className="text-xs flex items-center gap-2" role="status">
          Trying other ways… <progress className="progress w-20" value={job.done} aria-label="Ways tried" />
        </p>
      )}
      {job.wrong && <p className="text-xs text-error">{job.wrong}</p>}
      {!job.running && job.answer?.proposals.length === 0 && <p className="text-xs">No change tried lowers it.</p>}
      {!job.running && (
        <ul className="space-y-1">
          {job.answer?.proposals.map((proposal) => (
            <li key={proposal.id} className="text-xs border-l-3 border-secondary pl-2" data-proposal={proposal.id}>
              {inUnit(proposal.words, unit)} Stretch used: {percent(proposal.share)}.
              <button type="button" className="btn btn-xs btn-outline ml-2" onClick={() => apply(proposal.apply)}>
                Do this
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** How much of its give the cover asks of the cloth; where that is more than all of it, what to do. */
export function Proposals() {
  const strain = usePlan()?.cover?.strain;
  if (!strain) return null;
  const too = strain.share > 1;
  return (
    <section aria-label="Strain" className="pt-2 mt-2 border-t border-base-content/25">
      <h3 className="font-semibold text-sm">Strain in the cloth</h3>
      <p className={`text-sm ${too ? 'text-error' : ''}`} data-strain-share>
        Stretch used: {percent(strain.share)}
      </p>
      <p className="text-xs">
        Stretched {percent1(strain.warp)} along the warp, {percent1(strain.weft)} along the weft; {percent1(strain.leftOver)} left over.
        Corners apart, where the foam gives way.
      </p>
      {too && <Tried />}
    </section>
  );
}

const percent1 = (share: number) => `${Math.round(share * 1000) / 10} %`;
