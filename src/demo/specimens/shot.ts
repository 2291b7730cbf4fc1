/** How a picture is taken. */
export interface Shot {
  /** In px. */
  width: number;
  height: number;
  /** Share of the picture's width that the specimen takes up, seen from above. */
  fill: number;
  /** Degrees by which the picture is turned. */
  rotation: number;
  /** Degrees off the upright view, and towards which side. */
  tilt: number;
  tiltTowards: number;
  /** Where the middle of the specimen lies, as shares of the picture. */
  aim: [x: number, y: number];
  /** How far the surface is off a plane, in mm over its length. */
  bend: number;
  /** Degrees: where the light comes from (0 is right, 90 is the lower edge), and how high it stands. */
  lightFrom: number;
  lightHeight: number;
  /** Share of the light that comes from everywhere. */
  ambient: number;
  /** How much darker the far side is than the near one, 0 to 1. */
  uneven: number;
  /** Lit by a UV lamp alone. */
  uv: boolean;
  exposure: number;
  /** What the camera makes of white: red, green, blue. */
  whiteBalance: [number, number, number];
  /** Standard deviation in px. */
  blur: number;
  /** Length in px, and direction in degrees. */
  motion: number;
  motionTowards: number;
  /** Loss of light in the corners, 0 to 1. */
  vignette: number;
  /** Standard deviation at middle grey, in levels of 255. */
  noise: number;
  /** How strongly a lamp is mirrored, 0 to 1, and where, as shares of the picture. */
  glare: number;
  glareAt: [x: number, y: number];
  /** How dark the shadow of a hand is, 0 to 1. */
  shadow: number;
  /** 1 to 100; 0 keeps it as PNG. */
  quality: number;
}

/** From above, in good light. */
export const PLAIN_SHOT: Shot = {
  width: 1600,
  height: 1200,
  fill: 0.86,
  rotation: 0,
  tilt: 0,
  tiltTowards: 90,
  aim: [0.5, 0.5],
  bend: 0,
  lightFrom: 215,
  lightHeight: 52,
  ambient: 0.55,
  uneven: 0.12,
  uv: false,
  exposure: 1,
  whiteBalance: [1, 1, 1],
  blur: 0.6,
  motion: 0,
  motionTowards: 0,
  vignette: 0.12,
  noise: 1.5,
  glare: 0,
  glareAt: [0.5, 0.4],
  shadow: 0,
  quality: 88,
};

/**
 * A picture as somebody takes it at a counter: a little turned, a little tilted, under whatever lamp there is.
 *
 * @param random numbers from 0 to 1
 */
export function handheldShot(random: () => number): Shot {
  const about = (middle: number, spread: number) => middle + (2 * random() - 1) * spread;
  const warm = about(0, 0.06);
  return {
    ...PLAIN_SHOT,
    fill: about(0.8, 0.07),
    rotation: about(0, 5),
    tilt: about(9, 6),
    tiltTowards: 360 * random(),
    aim: [about(0.5, 0.03), about(0.5, 0.03)],
    bend: 0.6 * random(),
    lightFrom: 360 * random(),
    lightHeight: about(50, 15),
    uneven: about(0.2, 0.12),
    exposure: about(1, 0.08),
    whiteBalance: [1 + warm, 1, 1 - warm],
    blur: about(0.8, 0.25),
    vignette: about(0.2, 0.1),
    noise: about(2.5, 1),
    quality: Math.round(about(86, 6)),
  };
}

/** What goes wrong when a picture is taken, by stated amounts. */
export const SHOT_FAULTS: { id: string; says: string; alter: (shot: Shot) => Shot }[] = [
  { id: 'turned', says: 'turned by 37 degrees', alter: (shot) => ({ ...shot, rotation: 37, fill: 0.66 }) },
  { id: 'upside-down', says: 'upside down', alter: (shot) => ({ ...shot, rotation: 180 + shot.rotation }) },
  { id: 'tilted', says: 'tilted by 40 degrees', alter: (shot) => ({ ...shot, tilt: 40 }) },
  { id: 'bent', says: 'on a surface that is not flat', alter: (shot) => ({ ...shot, bend: 3 }) },
  { id: 'soft', says: 'out of focus by 2 px', alter: (shot) => ({ ...shot, blur: 2 }) },
  { id: 'blurred', says: 'out of focus by 5 px', alter: (shot) => ({ ...shot, blur: 5 }) },
  { id: 'shaken', says: 'shaken by 9 px', alter: (shot) => ({ ...shot, motion: 9, motionTowards: 20 }) },
  { id: 'noisy', says: 'taken in little light', alter: (shot) => ({ ...shot, noise: 14, exposure: 0.7 }) },
  { id: 'dark', says: 'dark', alter: (shot) => ({ ...shot, exposure: 0.13 }) },
  { id: 'uneven', says: 'lit from one side', alter: (shot) => ({ ...shot, uneven: 0.75, lightHeight: 24 }) },
  { id: 'warm', says: 'under a yellow lamp', alter: (shot) => ({ ...shot, whiteBalance: [1.12, 0.98, 0.66] }) },
  { id: 'glaring', says: 'with a lamp mirrored in it', alter: (shot) => ({ ...shot, glare: 1 }) },
  { id: 'shaded', says: 'with the shadow of a hand', alter: (shot) => ({ ...shot, shadow: 0.62 }) },
  { id: 'packed', says: 'packed hard', alter: (shot) => ({ ...shot, quality: 22 }) },
  { id: 'small', says: 'from far away', alter: (shot) => ({ ...shot, fill: 0.3 }) },
];
