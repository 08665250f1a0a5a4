// A stand-in for a pressure mat: npm run mat. It plays the frames of a sit test, one a second, to whoever listens on
// its port (docs/mat.md), or prints one as CSV: npm run mat -- --csv. The frames are computed here, by the same body
// sitting down on a fixed bed of springs with a little noise; it knows nothing of the application's own answer.
import { createServer, type Socket } from 'node:net';
import { MAT_CELL, MAT_SIDE, matLine, writeMatCsv, type MatFrame } from '../core/seat-check/mat-frame';

const PORT = Number(process.env.FOVEA_MAT ?? 4720);
const HOST = '127.0.0.1';
const EVERY = 1000;
/** Frames from the first touch until the sitter is still. */
const SETTLING = 6;
/** The sitter's force once settled, N. */
const FORCE = Number(process.env.FOVEA_MAT_FORCE ?? 727);

let seed = 20261123;
/** Repeatable noise, −1 … 1. */
function noise(): number {
  seed = (seed * 48271) % 2147483647;
  return (2 * seed) / 2147483647 - 1;
}

/** One frame: two lobes and two thighs, scaled to a share of the force. */
function frame(share: number): MatFrame {
  const raw = Array.from({ length: MAT_SIDE * MAT_SIDE }, (_, i) => {
    const x = ((i % MAT_SIDE) - (MAT_SIDE - 1) / 2) * MAT_CELL;
    const y = (Math.floor(i / MAT_SIDE) - (MAT_SIDE - 1) / 2) * MAT_CELL;
    const lobe = Math.exp(-(((Math.abs(x) - 62) / 52) ** 2) - ((y - 52) / 58) ** 2);
    const thigh = (0.55 * Math.exp(-(((Math.abs(x) - 85) / 44) ** 2))) / (1 + Math.exp((y - 20) / 22)) / (1 + Math.exp((-150 - y) / 18));
    return Math.max(0, lobe + thigh - 0.12) * (1 + 0.06 * noise());
  });
  const sum = raw.reduce((total, p) => total + p, 0) * MAT_CELL * MAT_CELL;
  return { cell: MAT_CELL, kPa: raw.map((p) => Math.round(((p * FORCE * share * 1000) / sum) * 10) / 10) };
}

if (process.argv.includes('--csv')) {
  process.stdout.write(writeMatCsv(frame(1)));
} else {
  const listeners = new Set<Socket>();
  let played = 0;
  const server = createServer((socket) => {
    listeners.add(socket);
    socket.on('error', () => undefined);
    socket.on('close', () => listeners.delete(socket));
    socket.write('H FOVEA-MAT 1\n');
    played = 0;
  });
  setInterval(() => {
    if (listeners.size === 0) return;
    played += 1;
    const line = matLine(frame(Math.min(1, played / SETTLING)));
    listeners.forEach((socket) => void socket.write(line));
  }, EVERY).unref();
  server.listen(PORT, HOST, () => console.log(`Mat stand-in: frames on port ${PORT}`));
}
