/** One step of the run sheet. Minutes are for one piece of the set. */
export type Step = {
  key: string;
  name: string;
  detail: string;
  minutes: number;
  /** minutes of waiting that follow, hands free */
  wait: number;
  caution?: string;
  /** photos that show how it was */
  photos?: string[];
};

/** A step as it is put down: what it does not say is nothing; minutes are at least one and whole. */
export function step(
  key: string,
  name: string,
  detail: string,
  minutes: number,
  more: Partial<Pick<Step, 'wait' | 'caution' | 'photos'>> = {},
): Step {
  const { wait = 0, caution, photos = [] } = more;
  return {
    key,
    name,
    detail,
    minutes: Math.max(1, Math.round(minutes)),
    wait: Math.round(wait),
    ...(caution ? { caution } : {}),
    ...(photos.length > 0 ? { photos: [...photos] } : {}),
  };
}
