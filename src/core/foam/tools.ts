/** What foam is cut or shaped with: what it does to the time, the edge and the width of the cut, and what can hurt at it. */
export type Tool = {
  id: string;
  name: string;
  /** what is done with it, for the run sheet */
  how: string;
  /** against the usual time */
  time: number;
  /** house rules that hold instead, by key */
  figures: Readonly<Record<string, number>>;
  /** which caution belongs to it */
  caution: 'knife' | 'wire' | 'disc';
};

/** Ways to cut foam; the first is the usual one. Source: trade.md, “cut with”, “kerf”. */
export const CUTTERS = [
  {
    id: 'blade',
    name: 'Long sharp blade',
    how: 'wetted, in long draws, never pushed; its point all the way through, so that the edge stays square',
    time: 1,
    figures: { foamKerf: 4 },
    caution: 'knife',
  },
  {
    id: 'serrated',
    name: 'Fine serrated knife',
    how: 'short strokes, the foam not pressed down; crumbs are brushed off before it is glued',
    time: 1.3,
    figures: { foamKerf: 5 },
    caution: 'knife',
  },
  {
    id: 'electric',
    name: 'Electric knife',
    how: 'upright against a fence, fed slowly; it takes 2 mm with it',
    time: 0.6,
    figures: { foamKerf: 6 },
    caution: 'knife',
  },
  {
    id: 'wire',
    name: 'Hot wire',
    how: 'along a template on both sides, without stopping, or it melts a hollow; it takes 2 mm with it and leaves a skin that glue holds less well on',
    time: 0.7,
    figures: { foamKerf: 6 },
    caution: 'wire',
  },
] as const satisfies readonly Tool[];

/** Ways to shape foam; the first is the usual one. Source: trade.md, “shape with”. */
export const SHAPERS = [
  {
    id: 'rasp',
    name: 'Rasp',
    how: 'from the edge inwards, feeling with the flat hand after every few strokes',
    time: 1,
    figures: {},
    caution: 'knife',
  },
  {
    id: 'disc',
    name: 'Fine flap disc',
    how: 'feather-light and always moving: it takes off more than you think; finish by hand',
    time: 0.6,
    figures: {},
    caution: 'disc',
  },
  { id: 'plane', name: 'Blade, as a plane', how: 'thin shavings, the blade laid almost flat', time: 1.2, figures: {}, caution: 'knife' },
] as const satisfies readonly Tool[];

/** What a piece’s foam is cut with; the usual where nobody has said. */
export const cutterOf = (id: string | null | undefined): Tool => CUTTERS.find((cutter) => cutter.id === id) ?? CUTTERS[0];
/** What it is shaped with. */
export const shaperOf = (id: string | null | undefined): Tool => SHAPERS.find((shaper) => shaper.id === id) ?? SHAPERS[0];
