'use client';

import { CAUTIONS } from '@/core/run-sheet';
import type { FirePaper } from '@/core/buying';
import { inUnit } from '@/core/length';
import { useSettings } from '@/ui/kit/settings';

/** Which certificates are on file for what the pieces are made of; what has none comes first. */
export function FirePapers({ papers }: { papers: readonly FirePaper[] }) {
  const { unit } = useSettings();
  if (papers.length === 0) return null;
  const missing = papers.filter((paper) => paper.missing);
  return (
    <section aria-label="Fire papers" className="mt-4 text-sm" data-papers={papers.length - missing.length}>
      <h3 className="font-display text-lg">Fire papers</h3>
      {missing.length > 0 ? (
        <p className="border-l-3 border-warning pl-2 my-1">
          No certificate on file for {missing.map(({ name }) => inUnit(name, unit)).join('; ')}.{' '}
          <a className="underline" href="/store">
            Add it in Store
          </a>
          .
        </p>
      ) : (
        <p className="my-1">There is a certificate on file for every material.</p>
      )}
      <ul className="pl-3">
        {papers
          .filter(({ papers: files }) => files.length > 0)
          .map(({ need, name, papers: files }) => (
            <li key={need}>
              {inUnit(name, unit)}: {files.join(', ')}
            </li>
          ))}
      </ul>
      <p className="text-xs text-base-content/70 mt-1">{CAUTIONS.fire}</p>
    </section>
  );
}
