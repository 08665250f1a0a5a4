import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Where somebody looks from, kept while the subject changes, and how large the subject was. */
export type Eye = { at: THREE.Vector3 | null; size: number };

/** What is shown: its parts, how far they reach and how far below its middle it is looked at (mm), whether they stand against a wall. */
export type Subject = { group: THREE.Group; size: number; low: number; upright: boolean };

/** A place that was pointed at: where in the scene, and what lies there. */
export type Pointed = { point: THREE.Vector3; object: THREE.Object3D };

/** A place of the page in which things are shown in the round. */
export type Stage3d = {
  host: HTMLElement;
  /** takes away what was shown and shows this */
  show: (subject: Subject) => void;
  draw: () => void;
  /** a picture as it is seen, PNG */
  picture: () => Promise<Blob | null>;
  /** pictures all the way round, the first as it is seen */
  turntable: (count: number) => Promise<Blob[]>;
  /** what is seen at a place of the page, of the parts that are asked for */
  at: (event: { clientX: number; clientY: number }, parts: readonly THREE.Object3D[]) => Pointed | null;
  /** where a place of the scene is on the page, dots */
  onPage: (place: THREE.Vector3) => { x: number; y: number };
  /** dragging turns the subject, or not while something else is dragged */
  turns: (on: boolean) => void;
  end: () => void;
};

/** A colour of the theme as it stands. */
export function themeColour(name: string, otherwise: string): THREE.Color {
  return new THREE.Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim() || otherwise);
}

/** Side of the picture in which shadows are worked out, dots. */
const SHADOW = 1024;

/** A studio: light from all round, a soft key light from the left, a shadow on the ground. */
function lit(subject: THREE.Object3D, size: number, ground: boolean): THREE.Scene {
  const scene = new THREE.Scene();
  scene.add(new THREE.HemisphereLight(0xffffff, 0xb9ad97, 1.7));
  const key = new THREE.DirectionalLight(0xfff4e6, 2.1);
  key.position.set(-size * 0.9, -size * 1.2, size * 1.9);
  key.castShadow = true;
  key.shadow.mapSize.set(SHADOW, SHADOW);
  Object.assign(key.shadow.camera, {
    left: -size * 1.4,
    right: size * 1.4,
    top: size * 1.4,
    bottom: -size * 1.4,
    near: size * 0.1,
    far: size * 6,
  });
  key.shadow.bias = -0.0015;
  key.shadow.normalBias = size / 110;
  key.shadow.radius = 6;
  const fill = new THREE.DirectionalLight(0xe8f0ff, 0.5);
  fill.position.set(size, -size * 0.4, size * 0.6);
  scene.add(key, fill, subject);
  if (ground) {
    const floor = new THREE.Mesh(new THREE.PlaneGeometry(size * 8, size * 8), new THREE.ShadowMaterial({ opacity: 0.22 }));
    floor.position.z = new THREE.Box3().setFromObject(subject).min.z - 1;
    floor.receiveShadow = true;
    floor.userData.studio = true;
    scene.add(floor);
  }
  return scene;
}

/** Gives back what the studio of a scene holds on the graphics card. */
function dismantle(scene: THREE.Scene): void {
  scene.traverse((part) => {
    if (part instanceof THREE.DirectionalLight) part.dispose();
    if (part instanceof THREE.Mesh && part.userData.studio) {
      part.geometry.dispose();
      (part.material as THREE.Material).dispose();
    }
  });
}

const TURNS: Record<string, number> = { ArrowLeft: 0.15, ArrowRight: -0.15 };
const LIFTS: Record<string, number> = { ArrowUp: 0.1, ArrowDown: -0.1 };
/** What is so much larger or smaller than what was shown before is looked at anew from its own distance. */
const UNLIKE = 1.3;
const UP = new THREE.Vector3(0, 0, 1);

/** From where something is first looked at. */
function firstLook({ size, upright }: Subject): THREE.Vector3 {
  return upright ? new THREE.Vector3(size * 0.5, -size * 1.7, size * 0.35) : new THREE.Vector3(size * 0.95, -size * 1.85, size * 0.95);
}

/** What somebody sees with: they walk round the subject by drag, wheel and arrow keys. */
function viewer(host: HTMLElement, canvas: HTMLElement, eye: Eye, draw: () => void) {
  const camera = new THREE.PerspectiveCamera(35, 1, 1, 1000);
  camera.up.copy(UP);
  const controls = new OrbitControls(camera, canvas);
  const onMove = () => {
    eye.at = camera.position.clone();
    draw();
  };
  const turn = (event: KeyboardEvent) => {
    if (TURNS[event.key]) camera.position.applyAxisAngle(UP, TURNS[event.key]!);
    else if (LIFTS[event.key]) camera.position.z += eye.size * LIFTS[event.key]!;
    else return;
    event.preventDefault();
    controls.update();
    onMove();
  };
  /** Stands where the subject is seen whole, or where somebody stood before. */
  const stand = (subject: Subject) => {
    const { size, low, upright } = subject;
    Object.assign(camera, { near: size / 100, far: size * 20 });
    const unlike = eye.size > 0 && (size > eye.size * UNLIKE || size * UNLIKE < eye.size);
    camera.position.copy((unlike ? null : eye.at) ?? firstLook(subject));
    eye.size = size;
    camera.updateProjectionMatrix();
    controls.target.set(0, 0, upright ? 0 : -low);
    controls.removeEventListener('change', onMove);
    controls.update();
    controls.addEventListener('change', onMove);
  };
  host.addEventListener('keydown', turn);
  const end = () => {
    host.removeEventListener('keydown', turn);
    controls.dispose();
  };
  return { camera, controls, stand, end };
}

/**
 * Opens a stage in a place of the page: turned by drag, by arrow keys, always as large as the place.
 *
 * @param host the place
 * @param eye where it is looked at from
 * @throws Error where the machine cannot draw in the round
 */
export function openStage(host: HTMLElement, eye: Eye): Stage3d {
  const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true });
  renderer.localClippingEnabled = true;
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = THREE.PCFSoftShadowMap;
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  const canvas = renderer.domElement;
  let scene = new THREE.Scene();
  const draw = () => renderer.render(scene, camera);
  const { camera, controls, stand, end } = viewer(host, canvas, eye, draw);
  host.append(canvas);
  canvas.setAttribute('aria-hidden', 'true');
  const fit = () => {
    const { clientWidth, clientHeight } = host;
    if (clientWidth === 0 || clientHeight === 0) return;
    renderer.setSize(clientWidth, clientHeight);
    camera.aspect = clientWidth / clientHeight;
    camera.updateProjectionMatrix();
    draw();
  };
  const watch = new ResizeObserver(fit);
  watch.observe(host);
  const picture = (): Promise<Blob | null> => {
    // Drawn anew: what was on the screen is gone once it was shown.
    draw();
    return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
  };
  return {
    host,
    show: (subject) => {
      dismantle(scene);
      scene = lit(subject.group, subject.size, !subject.upright);
      stand(subject);
      fit();
      draw();
      host.dataset.drawn = 'yes';
      host.dataset.triangles = String(renderer.info.render.triangles);
    },
    draw,
    picture,
    turntable: (count) => allRound(camera, controls.target, count, picture, draw),
    at: (event, parts) => pointedAt(canvas, camera, event, parts),
    onPage: (place) => {
      const { left, top, width, height } = canvas.getBoundingClientRect();
      const { x, y } = place.clone().project(camera);
      return { x: left + ((x + 1) / 2) * width, y: top + ((1 - y) / 2) * height };
    },
    turns: (on) => {
      controls.enabled = on;
    },
    end: () => {
      watch.disconnect();
      end();
      dismantle(scene);
      renderer.dispose();
      canvas.remove();
    },
  };
}

/** Pictures from so many sides, and back to where it was looked at from. */
async function allRound(
  camera: THREE.Camera,
  target: THREE.Vector3,
  count: number,
  picture: () => Promise<Blob | null>,
  draw: () => void,
): Promise<Blob[]> {
  const from = camera.position.clone();
  const pictures: Blob[] = [];
  for (let k = 0; k < count; k++) {
    camera.position.copy(from).applyAxisAngle(UP, (2 * Math.PI * k) / count);
    camera.lookAt(target);
    const one = await picture();
    if (one) pictures.push(one);
  }
  camera.position.copy(from);
  camera.lookAt(target);
  draw();
  return pictures;
}

/** What is seen at a place of the page; what was cut away is not. */
function pointedAt(
  canvas: HTMLElement,
  camera: THREE.Camera,
  { clientX, clientY }: { clientX: number; clientY: number },
  parts: readonly THREE.Object3D[],
): Pointed | null {
  const { left, top, width, height } = canvas.getBoundingClientRect();
  const ray = new THREE.Raycaster();
  ray.setFromCamera(new THREE.Vector2(((clientX - left) / width) * 2 - 1, 1 - ((clientY - top) / height) * 2), camera);
  const seen = ray.intersectObjects([...parts], true).find(({ point, object }) => {
    const material = [(object as THREE.Mesh).material].flat()[0] as THREE.Material | undefined;
    return !(material?.clippingPlanes ?? []).some((plane) => plane.distanceToPoint(point) < 0);
  });
  return seen ? { point: seen.point, object: seen.object } : null;
}
