/** A share as it is said: nobody believes 93 %. */
export function sayChance(share: number): string {
  if (share >= 0.95) return 'yes';
  if (share >= 0.75) return 'likely, 3 times in 4 or better';
  if (share >= 0.4) return 'as likely as not';
  return share >= 0.05 ? 'hardly' : 'no';
}
