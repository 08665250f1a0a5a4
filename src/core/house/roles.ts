/** What somebody who comes in over the network may do, most first; what each may is held in the server. */
export const ROLES = [
  { id: 'owner', name: 'Owner: everything' },
  { id: 'hand', name: 'Hand: works on pieces' },
  { id: 'apprentice', name: 'Apprentice: views and ticks' },
] as const;

export type Role = (typeof ROLES)[number]['id'];
