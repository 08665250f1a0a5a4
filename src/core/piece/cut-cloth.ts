import type { Cloth } from './schema';

/** What of a cloth matters to nothing that is cut: what it costs, is called and looks like. */
type Looks = 'price' | 'name' | 'certificate' | 'colour' | 'second' | 'figure';

/** A cloth as it is cut and sewn. */
export type CutCloth = Omit<Cloth, Looks>;

/** The cloths of a piece as they are cut and sewn. */
export type CutCloths = { cloth: CutCloth; second?: CutCloth | null };

/** A cloth without what matters to nothing that is cut. */
export function cutCloth({
  price: _p,
  name: _n,
  certificate: _c,
  colour: _o,
  second: _s,
  figure: _f,
  ...cut
}: CutCloth & Partial<Cloth>): CutCloth {
  void [_p, _n, _c, _o, _s, _f];
  return cut;
}

/** The cloths of a piece as they are cut and sewn. */
export function cutCloths({ cloth, second }: CutCloths): CutCloths {
  return { cloth: cutCloth(cloth), ...(second ? { second: cutCloth(second) } : {}) };
}
