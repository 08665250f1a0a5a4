import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Where somebody looks from, kept while the subject changes. */
export type Eye = { at: THREE.Vector3 | null };

/** A colour of the theme as it stands. */
export function themeColour(name: string, otherwise: string): THREE.Color {
  return new THREE.Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim() || otherwise);
}

function lit(subject: readonly THREE.Object3D[], size: number): THREE.Scene {
  const scene = new THREE.Scene();
  scene.add(new THREE.HemisphereLight(0xffffff, 0x8a7f6a, 2.2));
  const sun = new THREE.DirectionalLight(0xffffff, 1.8);
  sun.position.set(-size, -size, size * 2);
  scene.add(sun, ...subject);
  return scene;
}

const TURNS: Record<string, number> = { ArrowLeft: 0.15, ArrowRight: -0.15 };
const LIFTS: Record<string, number> = { ArrowUp: 0.1, ArrowDown: -0.1 };

/**
 * Shows things in the round in a place of the page: turned by drag, by arrow keys, always as large as the place.
 *
 * @param host the place
 * @param subject what is shown
 * @param size how far it reaches, mm
 * @param eye where it is looked at from
 * @returns a way to take it away again
 * @throws Error where the machine cannot draw in the round
 */
export function showInTheRound(host: HTMLElement, subject: readonly THREE.Object3D[], size: number, eye: Eye): () => void {
  const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true });
  const scene = lit(subject, size);
  const camera = new THREE.PerspectiveCamera(35, 1, size / 100, size * 20);
  camera.up.set(0, 0, 1);
  camera.position.copy(eye.at ?? new THREE.Vector3(size * 0.75, -size * 1.35, size * 0.95));
  const controls = new OrbitControls(camera, renderer.domElement);
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
  return () => {
    host.removeEventListener('keydown', turn);
    watch.disconnect();
    controls.dispose();
    renderer.dispose();
    renderer.domElement.remove();
  };
}
