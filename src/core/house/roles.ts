/** What somebody who comes in over the network may do, most first; what each may is held in the server. */
export const ROLES = [
  { id: 'owner', name: 'Owner', may: 'may do everything' },
  { id: 'hand', name: 'Hand', may: 'works on pieces' },
  { id: 'apprentice', name: 'Apprentice', may: 'views and ticks' },
] as const;

export type Role = (typeof ROLES)[number]['id'];
