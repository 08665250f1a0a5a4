import * as THREE from 'three';
import { coloursOf, figureOf, PHOTO_WIDTH, weaveOf } from '@/core/cloth';
import type { ClothPatch } from '@/core/cover';
import type { Cloth } from '@/core/piece';

/** A plain cloth's picture is so large, mm: its weave comes again. */
const PLAIN = 48;
/** Dots to a millimetre, and the most along one side. */
const DOTS = 6;
const MOST = 1024;
/** A stripe takes so much of its repeat; the fine ones beside it stand so far out and are so wide. */
const STRIPE = 0.34;
const FINE = { at: 0.29, width: 0.035 };

type Pen = CanvasRenderingContext2D;

/** One repeat of a cloth: its size in mm and how it is drawn into a box of w × h dots, its pattern about the middle. */
export type Tile = { across: number; along: number };

/** How large one repeat is, mm; a plain cloth's is that of its weave. */
export function tileOf({ repeatAcross, repeatAlong }: Pick<Cloth, 'repeatAcross' | 'repeatAlong'>): Tile {
  return { across: repeatAcross > 0 ? repeatAcross : PLAIN, along: repeatAlong > 0 ? repeatAlong : PLAIN };
}

/** Bars across the box at its middle, with two fine ones; along the other way for a check. */
function bars(pen: Pen, size: number, draw: (from: number, width: number) => void): void {
  pen.globalAlpha = 0.95;
  draw(size * (0.5 - STRIPE / 2), size * STRIPE);
  for (const side of [-1, 1]) draw(size * (0.5 + side * FINE.at - FINE.width / 2), size * FINE.width);
  pen.globalAlpha = 1;
}

/** A made-up figure with an upside: a small hill under three rings. */
function motif(pen: Pen, w: number, h: number): void {
  const size = Math.min(w, h);
  const [x, y] = [w / 2, h / 2];
  pen.lineWidth = size * 0.02;
  for (const r of [0.12, 0.2, 0.28]) {
    pen.beginPath();
    pen.ellipse(x, y - size * 0.04, size * r, size * r * 0.55, -0.4, 0, 2 * Math.PI);
    pen.stroke();
  }
  pen.beginPath();
  pen.arc(x, y - size * 0.04, size * 0.05, 0, 2 * Math.PI);
  pen.fill();
  pen.beginPath();
  pen.moveTo(x - size * 0.3, y + size * 0.36);
  pen.quadraticCurveTo(x, y + size * 0.1, x + size * 0.3, y + size * 0.36);
  pen.fill();
}

/** The threads of a woven cloth: fine darker and lighter lines, the same at every opening. */
function weave(pen: Pen, w: number, h: number): void {
  pen.globalAlpha = 0.07;
  for (let x = 0; x < w; x += 5) {
    pen.fillStyle = x % 10 ? '#000' : '#fff';
    pen.fillRect(x, 0, 2, h);
  }
  for (let y = 0; y < h; y += 5) {
    pen.fillStyle = y % 10 ? '#fff' : '#000';
    pen.fillRect(0, y, w, 2);
  }
  pen.globalAlpha = 1;
}

/** A colour of its own for what is drawn on a ground: lighter on dark cloth, darker on light. */
function against(ground: THREE.Color): THREE.Color {
  const light = ground.getHSL({ h: 0, s: 0, l: 0 }).l;
  return ground.clone().offsetHSL(0, -0.08, light < 0.4 ? 0.32 : -0.3);
}

/**
 * Draws one repeat of a cloth.
 *
 * @param cloth the piece's cloth
 * @param ground its colour where nobody has said one
 */
export function clothPicture(cloth: Cloth, ground: THREE.Color): HTMLCanvasElement {
  const { across, along } = tileOf(cloth);
  const reported = coloursOf(cloth);
  const base = reported.ground ? new THREE.Color(reported.ground) : ground;
  const second = reported.second ? new THREE.Color(reported.second) : against(base);
  const dots = Math.min(DOTS, MOST / Math.max(across, along));
  const canvas = document.createElement('canvas');
  const [w, h] = [Math.max(8, Math.round(across * dots)), Math.max(8, Math.round(along * dots))];
  Object.assign(canvas, { width: w, height: h });
  const pen = canvas.getContext('2d')!;
  pen.fillStyle = `#${base.getHexString()}`;
  pen.fillRect(0, 0, w, h);
  pen.fillStyle = pen.strokeStyle = `#${second.getHexString()}`;
  const figure = figureOf(cloth);
  if (figure === 'stripe' || figure === 'check') {
    if (cloth.repeatAcross > 0) bars(pen, w, (from, width) => pen.fillRect(from, 0, width, h));
    if (figure === 'check' && cloth.repeatAlong > 0) {
      pen.save();
      pen.globalCompositeOperation = 'multiply';
      bars(pen, h, (from, width) => pen.fillRect(0, from, w, width));
      pen.restore();
    } else if (cloth.repeatAcross <= 0) bars(pen, h, (from, width) => pen.fillRect(0, from, w, width));
  } else if (figure === 'motif') motif(pen, w, h);
  if (!cloth.coated) weave(pen, w, h);
  return canvas;
}

/** How a cloth takes the light: a pile shines at its edges, a coated cloth a little all over. */
function surface(cloth: Cloth): Partial<THREE.MeshPhysicalMaterialParameters> {
  const kind = weaveOf(cloth);
  if (kind === 'pile') return { roughness: 1, sheen: 1, sheenRoughness: 0.4, sheenColor: new THREE.Color(0xffffff) };
  if (cloth.coated || kind === 'hide') return { roughness: 0.55 };
  return { roughness: 0.95 };
}

/** A cloth's own photo: so many millimetres wide; its height follows its shape. */
function photographed({ photo, photoWidth, repeatAcross, repeatAlong }: Cloth, loaded: () => void): THREE.Texture {
  const width = photoWidth ?? PHOTO_WIDTH;
  const map = new THREE.TextureLoader().load(`/api/photos/${photo}`, ({ image }) => {
    const { naturalWidth, naturalHeight } = image as HTMLImageElement;
    map.repeat.set(1 / width, 1 / (width * (naturalHeight / naturalWidth)));
    loaded();
  });
  // What has no repeat of its own is turned over at the photo's edge, so that no edge shows.
  map.wrapS = map.wrapT = repeatAcross > 0 || repeatAlong > 0 ? THREE.RepeatWrapping : THREE.MirroredRepeatWrapping;
  map.repeat.set(1 / width, 1 / width);
  return map;
}

/** One repeat as it is drawn here. */
function drawnTile(cloth: Cloth, ground: THREE.Color): THREE.Texture {
  const { across, along } = tileOf(cloth);
  const map = new THREE.CanvasTexture(clothPicture(cloth, ground));
  map.wrapS = map.wrapT = THREE.RepeatWrapping;
  map.repeat.set(1 / across, 1 / along);
  return map;
}

/**
 * What a cover is drawn with: the cloth's picture or its photo, carried by each piece's own flat coordinates in millimetres.
 *
 * @param cloth the piece's cloth
 * @param ground its colour where nobody has said one
 * @param loaded told when a photo has come
 */
export function clothMaterial(cloth: Cloth, ground: THREE.Color, loaded: () => void): THREE.MeshPhysicalMaterial {
  const map = cloth.photo ? photographed(cloth, loaded) : drawnTile(cloth, ground);
  // The pattern is drawn about the middle of its picture, and begins there on the cloth.
  map.offset.set(0.5, 0.5);
  map.colorSpace = THREE.SRGBColorSpace;
  map.anisotropy = 8;
  return new THREE.MeshPhysicalMaterial({ side: THREE.DoubleSide, map, ...surface(cloth) });
}

/** How far a channel stands up between its stitched lines, mm. */
const ROLL = 7;
/** Strokes that make up the slope of a roll. */
const SLOPE = 14;
/** Dots along the longer side of a piece's relief. */
const RELIEF = 1024;

/**
 * The rolls between stitched lines as a relief over a piece.
 *
 * @param patch the patch, its nodes and lines in the cloth's own millimetres
 */
export function quilted(material: THREE.MeshPhysicalMaterial, { flat, stitches }: ClothPatch): THREE.MeshPhysicalMaterial {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < flat.length; i += 2) {
    [x0, x1] = [Math.min(x0, flat[i]!), Math.max(x1, flat[i]!)];
    [y0, y1] = [Math.min(y0, flat[i + 1]!), Math.max(y1, flat[i + 1]!)];
  }
  const [width, height] = [x1 - x0, y1 - y0];
  const dots = RELIEF / Math.max(width, height);
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width: Math.ceil(width * dots), height: Math.ceil(height * dots) });
  const pen = canvas.getContext('2d')!;
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  const first = stitches[0]!;
  const pitch = stitches.length > 1 ? Math.hypot(stitches[1]![0]![0] - first[0]![0], stitches[1]![0]![1] - first[0]![1]) : ROLL * 4;
  for (let k = 0; k < SLOPE; k++) {
    // From the top of the roll down to the line: round above, steep at the stitch.
    const share = 1 - k / SLOPE;
    const grey = Math.round(255 * Math.sqrt(1 - (1 - share) ** 2));
    pen.strokeStyle = `rgb(${grey} ${grey} ${grey})`;
    pen.lineWidth = pitch * share * dots;
    for (const line of stitches) {
      pen.beginPath();
      line.forEach(([x, y], i) => pen[i ? 'lineTo' : 'moveTo']((x - x0) * dots, (y1 - y) * dots));
      pen.stroke();
    }
  }
  const bump = new THREE.CanvasTexture(canvas);
  bump.repeat.set(1 / width, 1 / height);
  bump.offset.set(-x0 / width, -y0 / height);
  const clone = material.clone();
  clone.bumpMap = bump;
  clone.bumpScale = ROLL;
  // Between two rolls little light comes in.
  clone.aoMap = bump;
  clone.aoMapIntensity = 0.7;
  return clone;
}
