// A stand-in for a digital tape: npm run tape. It listens for the application on one port (the line protocol of
// src/core/formats/tape-line.ts) and shows a small panel to send readings from on another.
import { createServer as createPanel } from 'node:http';
import { createServer, type Socket } from 'node:net';
import { tapeLine } from '../core/formats/tape-line';

const TAPE_PORT = Number(process.env.FOVEA_TAPE ?? 4710);
const PANEL_PORT = Number(process.env.FOVEA_TAPE_PANEL ?? 4711);
const HOST = '127.0.0.1';
const ALIVE = 1000;

let number = 0;
let unplugged = false;
let silent = false;
let crawling = false;
const listeners = new Set<Socket>();

const tape = createServer((socket) => {
  if (unplugged) return void socket.destroy();
  listeners.add(socket);
  socket.on('error', () => undefined);
  socket.on('close', () => listeners.delete(socket));
  socket.write(tapeLine('H FOVEA-TAPE 1'));
});

const say = (text: string): void => listeners.forEach((socket) => void socket.write(text));
setInterval(() => {
  // A pulse in the middle of a line that is still being sent would tear it apart.
  if (!silent && !crawling) say(tapeLine('P'));
}, ALIVE).unref();

/** What the panel's buttons do. */
const ACTIONS: Record<string, (value: string) => string> = {
  send: (value) => {
    const parts = /^\s*(\d+(?:[.,]\d+)?)\s*(mm|cm|m|in)?\s*$/.exec(value);
    if (!parts) return `“${value.slice(0, 20)}” is not a reading; 412.5 or 16.25 in is`;
    number += 1;
    say(tapeLine(`R ${number} ${parts[1]!.replace(',', '.')} ${parts[2] ?? 'mm'}`));
    return `Sent ${parts[1]} ${parts[2] ?? 'mm'} to ${listeners.size} listening`;
  },
  garble: () => {
    say(`R ${number + 1} 4#2.5 mm*00\n`);
    return 'Sent a garbled line';
  },
  crawl: (value) => {
    number += 1;
    const line = tapeLine(`R ${number} ${Number.parseFloat(value) || 0} mm`);
    const signs = [...line];
    crawling = true;
    signs.forEach((sign, i) =>
      setTimeout(() => {
        say(sign);
        crawling = i < signs.length - 1;
      }, i * 60),
    );
    return 'Sending one sign at a time';
  },
  silence: () => {
    silent = !silent;
    return silent ? 'Silent: says nothing until pressed again' : 'Speaking again';
  },
  unplug: () => {
    unplugged = !unplugged;
    if (unplugged) listeners.forEach((socket) => socket.destroy());
    return unplugged ? 'Unplugged; press again to plug it in' : 'Plugged in';
  },
};

const PAGE = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Tape stand-in</title>
<style>body{font:18px sans-serif;max-width:26rem;margin:2rem auto;padding:0 1rem}input,button{font:inherit;padding:.5rem .8rem;margin:.2rem 0}button{min-height:48px}output{display:block;margin-top:1rem;min-height:1.5em}</style>
<h1>Tape stand-in</h1>
<form id="f"><label>Reading <input id="v" autocomplete="off" value="412.5"></label> <button>Send</button></form>
<p><button data-do="garble">Send garbled</button> <button data-do="crawl">Send slowly</button> <button data-do="silence">Fall silent</button> <button data-do="unplug">Unplug</button></p>
<output id="o" role="status"></output>
<script>
const press=async(what)=>{const r=await fetch('/'+what,{method:'POST',body:document.getElementById('v').value});document.getElementById('o').textContent=await r.text()};
document.getElementById('f').addEventListener('submit',(e)=>{e.preventDefault();press('send')});
for(const b of document.querySelectorAll('[data-do]'))b.addEventListener('click',()=>press(b.dataset.do));
</script></html>`;

const panel = createPanel((request, response) => {
  const isOwn = request.headers.host === `${HOST}:${PANEL_PORT}` || request.headers.host === `localhost:${PANEL_PORT}`;
  const from = request.headers.origin;
  if (!isOwn || (from !== undefined && from !== `http://${request.headers.host}`)) return void response.writeHead(403).end();
  if (request.method === 'GET') return void response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(PAGE);
  const act = ACTIONS[(request.url ?? '').slice(1)];
  if (request.method !== 'POST' || !act) return void response.writeHead(404).end('There is no such button');
  let body = '';
  request.on('data', (chunk) => {
    body = `${body}${String(chunk)}`.slice(0, 200);
  });
  request.on('end', () => response.writeHead(200, { 'content-type': 'text/plain; charset=utf-8' }).end(act(body)));
});

tape.listen(TAPE_PORT, HOST);
panel.listen(PANEL_PORT, HOST, () => console.log(`Tape stand-in: panel on http://${HOST}:${PANEL_PORT}, tape on port ${TAPE_PORT}`));
