/** A glue as it is sold: how it goes on, where it belongs, and what it asks of the clock. */
export type Glue = {
  id: string;
  name: string;
  /** what is done with it */
  verb: string;
  /** how it is put on, and where it does not belong */
  how: string;
  /** what holds for it instead of the house rules, by key: faces, minutes for a square metre, until tacky, laid within, left alone once pressed */
  figures: Readonly<Record<'glueFaces' | 'timeGlueSquare' | 'timeGlueTack' | 'timeGlueOpen' | 'timeGluePress', number>>;
};

/** Kinds of glue, each with what such products usually say; the product's own sheet comes first. */
export const GLUES: readonly Glue[] = [
  {
    id: 'contact-sprayed',
    name: 'Contact glue, sprayed',
    verb: 'Spray',
    how: 'foam to foam and foam to board',
    figures: { glueFaces: 2, timeGlueSquare: 12, timeGlueTack: 5, timeGlueOpen: 25, timeGluePress: 3 },
  },
  {
    id: 'contact-brushed',
    name: 'Contact glue, brushed',
    verb: 'Brush glue on',
    how: 'thin, and not within 20 mm of an edge that is felt, where it dries hard',
    figures: { glueFaces: 2, timeGlueSquare: 20, timeGlueTack: 15, timeGlueOpen: 60, timeGluePress: 5 },
  },
  {
    id: 'water-sprayed',
    name: 'Water-based, sprayed',
    verb: 'Spray',
    how: 'foam to foam and foam to bare wood; on metal and coated boards it does not dry',
    figures: { glueFaces: 1, timeGlueSquare: 8, timeGlueTack: 2, timeGlueOpen: 15, timeGluePress: 30 },
  },
];

/** The glue of a piece; nothing where the house’s own is used, as its rules say. */
export function glueOf(id: string | null | undefined): Glue | undefined {
  return GLUES.find((glue) => glue.id === id);
}
