// A stand-in for a cutter: npm run cutter. It takes a program over a local connection, a line at a time (docs/cutter.md), moves at its
// own speed, cuts with its kerf, asks for a new blade when its own is blunt, and gives back a picture of what it cut.
import { createServer as createPanel } from 'node:http';
import { createServer, type Socket } from 'node:net';
import { readGcodeLine } from '../core/formats/gcode';
import { lineGatherer } from '../core/formats/tape-line';

const PORT = Number(process.env.FOVEA_CUTTER ?? 4740);
const PANEL = Number(process.env.FOVEA_CUTTER_PANEL ?? 4741);
const HOST = '127.0.0.1';
const BED = { width: 2500, height: 1800 };
const KERF = 0.8;
const FASTEST = 30_000;
/** How many times faster than a real one it runs: nobody waits for a stand-in. */
const HASTE = Number(process.env.FOVEA_CUTTER_HASTE ?? 40);
/** A blade lasts for so long a cut, mm. */
const BLADE = Number(process.env.FOVEA_CUTTER_BLADE ?? 60_000);

let jam = false;
let blunt = 0;
let crooked = false;

/** One program at a time, on one connection. */
function serve(socket: Socket): void {
  let [x, y, down, paused, stopped, waiting] = [0, 0, false, false, false, false];
  const cuts: [number, number][][] = [];
  const queue: string[] = [];
  let busy = false;
  const say = (line: string): void => void socket.write(`${line}\n`);
  const next = (): void => {
    if (busy || paused || stopped || waiting || queue.length === 0) return;
    const line = queue.shift()!;
    let item;
    try {
      item = readGcodeLine(line);
    } catch (error) {
      stopped = true;
      return say(`error ${(error as Error).message}`);
    }
    if (jam) {
      stopped = true;
      return say('error The cloth has caught under the head');
    }
    const [toX, toY] = [item.x ?? x, item.y ?? y];
    if (toX < 0 || toY < 0 || toX > BED.width || toY > BED.height) {
      stopped = true;
      return say('error Beyond the bed');
    }
    if (item.code === 'M3') {
      down = true;
      cuts.push([[x, y]]);
    }
    if (item.code === 'M5' || item.code === 'M2') down = false;
    const far = Math.hypot(toX - x, toY - y);
    const speed = item.code === 'G1' ? Math.min(item.f ?? FASTEST, FASTEST) : FASTEST;
    busy = true;
    setTimeout(
      () => {
        busy = false;
        [x, y] = [toX, toY];
        if (item.code === 'G1' && down) {
          // A crooked head pulls to one side.
          cuts.at(-1)!.push([crooked ? x + 3 * Math.sin(y / 60) : x, y]);
          blunt += far;
        }
        say('ok');
        if (blunt > BLADE) {
          waiting = true;
          say('blade');
        }
        next();
      },
      ((far / speed) * 60_000) / HASTE,
    );
  };
  const gather = lineGatherer();
  say(`H FOVEA-CUTTER 1 ${BED.width} ${BED.height} ${KERF} ${FASTEST}`);
  socket.setEncoding('utf8');
  socket.on('close', () => {
    stopped = true;
  });
  socket.on('data', (chunk: string) => {
    for (const line of gather(chunk)) {
      if (line === 'PAUSE') {
        paused = true;
        say('paused');
      } else if (line === 'RESUME') {
        paused = false;
        say('resumed');
      } else if (line === 'BLADE') {
        blunt = 0;
        waiting = false;
        say('resumed');
      } else if (line === 'STOP') {
        stopped = true;
        queue.length = 0;
        say('stopped');
      } else if (line === 'PICTURE') say(`picture ${JSON.stringify({ kerf: KERF, cuts })}`);
      else queue.push(line);
    }
    next();
  });
  socket.on('error', () => undefined);
}

const ACTIONS: Record<string, () => string> = {
  jam: () => {
    jam = !jam;
    return jam ? 'Jammed: the next move fails' : 'Running freely';
  },
  blunt: () => {
    blunt = BLADE + 1;
    return 'Blunt: it asks for a blade at its next move';
  },
  crooked: () => {
    crooked = !crooked;
    return crooked ? 'Cutting crooked' : 'Cutting true';
  },
};

const PAGE = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Cutter stand-in</title>
<style>body{font:18px sans-serif;max-width:28rem;margin:2rem auto;padding:0 1rem}button{font:inherit;padding:.5rem .8rem;margin:.2rem 0;min-height:48px}output{display:block;margin-top:1rem}</style>
<h1>Cutter stand-in</h1><p><button data-do="jam">Jam</button> <button data-do="blunt">Blunt blade</button> <button data-do="crooked">Cut crooked</button></p><output id="o" role="status"></output>
<script>for(const b of document.querySelectorAll('[data-do]'))b.addEventListener('click',async()=>{const r=await fetch('/'+b.dataset.do,{method:'POST'});document.getElementById('o').textContent=await r.text()})</script></html>`;

createServer(serve).listen(PORT, HOST);
createPanel((request, response) => {
  const from = request.headers.origin;
  if (from !== undefined && from !== `http://${request.headers.host}`) return void response.writeHead(403).end();
  if (request.method === 'GET') return void response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(PAGE);
  const act = ACTIONS[(request.url ?? '').slice(1)];
  if (request.method !== 'POST' || !act) return void response.writeHead(404).end('There is no such button');
  response.writeHead(200, { 'content-type': 'text/plain; charset=utf-8' }).end(act());
}).listen(PANEL, HOST, () => console.log(`Cutter stand-in: panel on http://${HOST}:${PANEL}, cutter on port ${PORT}`));
