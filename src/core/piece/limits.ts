/** The least and most that the application takes for each measurement, mm unless said otherwise. */
export const LIMITS = {
  seat: [80, 1500],
  radius: [0, 750],
  board: [2, 60],
  pad: [0.5, 500],
  offset: [-300, 100],
  feather: [1, 500],
  rollWidth: [300, 4000],
  clothThickness: [0.1, 8],
  repeat: [0, 1500],
  shrinkage: [0, 20],
  count: [1, 200],
  pads: [0, 40],
} as const satisfies Record<string, readonly [number, number]>;
