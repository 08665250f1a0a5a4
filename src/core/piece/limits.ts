const DEGREE = Math.PI / 180;

/** The least and most that the application takes for each measurement, mm unless said otherwise. */
export const LIMITS = {
  seat: [40, 3000],
  small: [10, 2000],
  /** a rise, a hollow, a bow: may be nothing */
  rise: [0, 2000],
  /** along a line from its beginning */
  along: [0, 4000],
  /** to the left or right of a line; − is beyond it */
  out: [-1500, 1500],
  /** heights of a moulded base over its reference plane */
  height: [-300, 300],
  radius: [0, 750],
  /** radians */
  angle: [30 * DEGREE, 150 * DEGREE],
  /** inside angle of a side; more than 180° at an inside corner; radians */
  bevel: [15 * DEGREE, 345 * DEGREE],
  /** a coordinate of a drawn outline */
  plan: [-3000, 3000],
  nodes: [2, 400],
  hole: [2, 1000],
  hardware: [1, 200],
  strip: [2, 100],
  stock: [300, 6000],
  panels: [2, 40],
  /** kg */
  rating: [0.5, 500],
  board: [2, 60],
  pad: [0.5, 500],
  offset: [-300, 100],
  feather: [1, 500],
  pocket: [20, 600],
  deep: [1, 500],
  blocks: [1, 12],
  /** N per 10 cm */
  force: [0.5, 200],
  /** kg */
  mass: [5, 250],
  share: [5, 100],
  density: [10, 400],
  hardness: [10, 3000],
  support: [1.3, 6],
  rollWidth: [300, 4000],
  clothThickness: [0.1, 8],
  repeat: [0, 1500],
  shrinkage: [0, 20],
  stretch: [0.1, 60],
  weight: [20, 3000],
  price: [0, 10000],
  cord: [2, 25],
  border: [15, 600],
  lip: [3, 200],
  channel: [8, 400],
  backing: [0, 25],
  button: [8, 80],
  buttonDepth: [0, 120],
  spacing: [20, 800],
  nailPitch: [6, 120],
  nailHead: [4, 40],
  topStitch: [0, 25],
  seamMove: [-150, 150],
  correction: [-60, 60],
  count: [1, 200],
  pads: [0, 40],
} as const satisfies Record<string, readonly [number, number]>;
