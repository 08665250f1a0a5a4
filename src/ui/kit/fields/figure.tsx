import { Fragment } from 'react';

const FRACTION = /(\d+\/\d+)/;

/** A printed figure whose fractions are set as real fractions. `svg` is for text inside a drawing. */
export function Figure({ says, svg }: { says: string; svg?: boolean }) {
  return says.split(FRACTION).map((part, i) => {
    if (!FRACTION.test(part)) return <Fragment key={i}>{part}</Fragment>;
    return svg ? (
      <tspan key={i} className="fraction">
        {part}
      </tspan>
    ) : (
      <span key={i} className="fraction">
        {part}
      </span>
    );
  });
}
