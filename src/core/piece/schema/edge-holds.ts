/** What holds a cover along its edge, or under it. */
export const EDGE_HOLDS = [
  { id: 'staples', name: 'Staples' },
  { id: 'tacks', name: 'Tacks' },
  { id: 'rivets', name: 'Rivets with washers' },
  { id: 'screws', name: 'Screws with cup washers' },
  { id: 'clips', name: 'Clips and tabs' },
  { id: 'cord', name: 'Draw-cord in a hem' },
  { id: 'hook-loop', name: 'Hook and loop' },
  { id: 'glue', name: 'Glue' },
] as const;

export type EdgeHold = (typeof EDGE_HOLDS)[number]['id'];
