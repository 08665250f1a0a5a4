/** Something found when the old cover came off, and what follows from it. */
export type Finding = { id: string; name: string; consequence: string; caution: string | null; replacesFoam: boolean };

const LOCAL = 'Follow your local rules.';

/** What is looked for at strip, and what each find means for the work. */
export const FINDINGS: readonly Finding[] = [
  {
    id: 'mould',
    name: 'Mould',
    consequence: 'Foam, wadding and linings go out in a sealed bag; the board is cleaned and dried before anything is built on it.',
    caution: `Mould: mask, gloves, open window; bag the old pads where they lie. ${LOCAL}`,
    replacesFoam: true,
  },
  {
    id: 'damp',
    name: 'Damp',
    consequence: 'Dry the board flat for some days and look again; find where the water came from before covering.',
    caution: null,
    replacesFoam: false,
  },
  {
    id: 'pests',
    name: 'Pests',
    consequence: 'Keep it away from other work, bag everything soft, treat the wood, and replace all padding.',
    caution: `Pests: bag and seal at once, mask and gloves; treatment by its own sheet. ${LOCAL}`,
    replacesFoam: true,
  },
  {
    id: 'crumbling',
    name: 'Crumbling foam',
    consequence: 'The foam is spent: replace it, and brush the board clean of crumbs before glueing.',
    caution: `Old foam dust: extract, mask; do not blow it off. ${LOCAL}`,
    replacesFoam: true,
  },
  {
    id: 'broken-board',
    name: 'Broken board',
    consequence: 'Make a new board from the old outline before building; note where it broke and check the load there.',
    caution: null,
    replacesFoam: false,
  },
  {
    id: 'broken-webbing',
    name: 'Broken webbing or deck',
    consequence: 'Renew what carries the board before measuring the height again.',
    caution: null,
    replacesFoam: false,
  },
  {
    id: 'glued-foam',
    name: 'Foam glued down',
    consequence: 'Cut it off level and scrape the rest; the press test does not count for foam that tears in coming off.',
    caution: `Scrapers and solvents: cut away from the hand, ventilate, no flame. ${LOCAL}`,
    replacesFoam: false,
  },
  {
    id: 'second-cover',
    name: 'Hidden second cover',
    consequence: 'Take it off too: it hides the true edge, and its thickness is in the old measurements.',
    caution: null,
    replacesFoam: false,
  },
  {
    id: 'rust',
    name: 'Rust',
    consequence: 'Replace rusted fasteners; use stainless ones where it will be damp again.',
    caution: null,
    replacesFoam: false,
  },
  {
    id: 'fire-label',
    name: 'Old fire label',
    consequence: 'Photograph it, keep it with the record, and ask what the new foam and cloth must meet.',
    caution: `Fire: keep labels and certificates; this records, it does not certify. ${LOCAL}`,
    replacesFoam: false,
  },
];

/** A finding by its id, or undefined. */
export function findingOf(id: string): Finding | undefined {
  return FINDINGS.find((finding) => finding.id === id);
}
