import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Where somebody looks from, kept while the subject changes. */
export type Eye = { at: THREE.Vector3 | null };

/** What is shown: its parts, how far they reach (mm), whether they stand against a wall. */
export type Subject = { group: THREE.Group; size: number; upright: boolean };
/** Something that is being shown. */
export type Shown = { end: () => void; draw: () => void; picture: () => Promise<Blob | null> };

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
    scene.add(floor);
  }
  return scene;
}

const TURNS: Record<string, number> = { ArrowLeft: 0.15, ArrowRight: -0.15 };
const LIFTS: Record<string, number> = { ArrowUp: 0.1, ArrowDown: -0.1 };

/**
 * Shows things in the round in a place of the page: turned by drag, by arrow keys, always as large as the place.
 *
 * @param host the place
 * @param subject what is shown
 * @param eye where it is looked at from
 * @returns ways to take it away again and to take its picture
 * @throws Error where the machine cannot draw in the round
 */
export function showInTheRound(host: HTMLElement, subject: Subject, eye: Eye): Shown {
  const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true });
  renderer.localClippingEnabled = true;
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = THREE.PCFSoftShadowMap;
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  const { group, size, upright } = subject;
  const scene = lit(group, size, !upright);
  const camera = new THREE.PerspectiveCamera(35, 1, size / 100, size * 20);
  camera.up.set(0, 0, 1);
  camera.position.copy(
    eye.at ??
      (upright ? new THREE.Vector3(size * 0.5, -size * 1.7, size * 0.35) : new THREE.Vector3(size * 0.95, -size * 1.85, size * 0.95)),
  );
  const controls = new OrbitControls(camera, renderer.domElement);
  controls.target.set(0, 0, upright ? 0 : -size * 0.2);
  controls.update();
  const draw = () => renderer.render(scene, camera);
  const moved = () => {
    eye.at = camera.position.clone();
    draw();
  };
  controls.addEventListener('change', moved);
  host.append(renderer.domElement);
  renderer.domElement.setAttribute('aria-hidden', 'true');
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
  fit();
  const turn = (event: KeyboardEvent) => {
    if (TURNS[event.key]) camera.position.applyAxisAngle(new THREE.Vector3(0, 0, 1), TURNS[event.key]!);
    else if (LIFTS[event.key]) camera.position.z += size * LIFTS[event.key]!;
    else return;
    event.preventDefault();
    controls.update();
    moved();
  };
  host.addEventListener('keydown', turn);
  host.dataset.drawn = 'yes';
  const end = () => {
    host.removeEventListener('keydown', turn);
    watch.disconnect();
    controls.dispose();
    renderer.dispose();
    renderer.domElement.remove();
  };
  return {
    end,
    draw,
    picture: () => {
      // Drawn anew: what was on the screen is gone once it was shown.
      draw();
      return new Promise((resolve) => renderer.domElement.toBlob(resolve, 'image/png'));
    },
  };
}
