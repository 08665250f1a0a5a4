import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer, type Server, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { tapeLine } from '../core/formats/tape-line';
import { newPiece, STARTING_SHAPES, type Piece } from '../core/piece';
import { database } from '../data/database';
import type { PieceRecord } from '../data/pieces';
import { answer } from './http';
import { getPhoto, postPhoto } from './photos';
import * as routes from './pieces';

const folder = mkdtempSync(join(tmpdir(), 'fovea-'));
const PORT = 4790;

beforeAll(() => {
  process.env.FOVEA_DATA = folder;
  process.env.FOVEA_TAPE = String(PORT);
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const post = (body: BodyInit): Request => new Request('http://127.0.0.1/', { method: 'POST', body });
const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');

describe('photos', () => {
  it('are kept once, by what is in them, and come back byte for byte', async () => {
    const first = (await (await answer(() => postPhoto(post(PNG)))).json()) as { name: string };
    const again = (await (await answer(() => postPhoto(post(PNG)))).json()) as { name: string };
    expect(first.name).toMatch(/^[0-9a-f]{64}\.png$/);
    expect(again.name).toBe(first.name);
    expect(readdirSync(join(folder, 'photos'))).toEqual([first.name]);
    const back = await answer(() => getPhoto(first.name));
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(Buffer.from(await back.arrayBuffer()).equals(PNG)).toBe(true);
  });

  it('that are not photos are refused, and no other file can be asked for', async () => {
    const bad = await answer(() => postPhoto(post('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')));
    expect(bad.status).toBe(422);
    expect(((await bad.json()) as { message: string }).message).toContain('not a JPEG, PNG or WebP');
    const large = new Request('http://127.0.0.1/', { method: 'POST', body: 'x', headers: { 'content-length': '99000000' } });
    expect((await answer(() => postPhoto(large))).status).toBe(413);
    for (const name of ['../fovea.sqlite', 'fovea.sqlite', `${'a'.repeat(64)}.png`, `${'a'.repeat(64)}.svg`])
      expect((await answer(() => getPhoto(name))).status).toBe(404);
  });
});

describe('outlines', () => {
  const make = async (piece: Piece): Promise<string> => {
    const response = await answer(() => routes.postPiece(post(JSON.stringify({ piece }))));
    expect(response.status).toBe(201);
    return ((await response.json()) as PieceRecord).id;
  };
  const ask = (id: string, format: string) => answer(() => routes.exportOutline(new Request(`http://127.0.0.1/?format=${format}`), id));

  it('go out as SVG and DXF under the piece’s own name', async () => {
    const id = await make({ ...newPiece('headboard', STARTING_SHAPES.crowned), name: 'Attic bed!' });
    const svg = await ask(id, 'svg');
    expect(svg.headers.get('content-disposition')).toContain('attic-bed.svg');
    expect(await svg.text()).toContain('width="1400mm"');
    const dxf = await ask(id, 'dxf');
    expect(await dxf.text()).toContain('SPLINE');
    expect((await ask(id, 'exe')).status).toBe(400);
    expect((await ask('nobody', 'svg')).status).toBe(404);
  });

  it('of every kind are kept and come back as they were', async () => {
    for (const kind of ['saddle', 'corner-seat', 'headboard-panelled', 'arm-pad'] as const) {
      const piece = newPiece(kind);
      const id = await make(piece);
      expect(((await (await answer(() => routes.readPiece(id))).json()) as PieceRecord).piece).toEqual(piece);
    }
  });
});

describe('the tape', () => {
  /** Reads events of a stream until one of a kind comes. */
  async function next(reader: ReadableStreamDefaultReader<Uint8Array>, kind: string): Promise<Record<string, unknown>> {
    let holdId = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) throw new Error('the stream ended');
      holdId += new TextDecoder().decode(value);
      const found = new RegExp(`event: ${kind}\\ndata: (.*)\\n\\n`).exec(holdId);
      if (found) return JSON.parse(found[1]!) as Record<string, unknown>;
    }
  }

  it('passes readings on once each, says what was garbled, and notices when it is unplugged', async () => {
    const sockets = new Set<Socket>();
    const server: Server = createServer((socket) => {
      sockets.add(socket);
      socket.on('error', () => undefined);
      socket.write(tapeLine('H FOVEA-TAPE 1'));
    });
    await new Promise<void>((resolve) => server.listen(PORT, '127.0.0.1', resolve));
    const { tapeStream } = await import('./devices/tape');
    const stop = new AbortController();
    const response = tapeStream(new Request('http://127.0.0.1/api/tape', { signal: stop.signal }));
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const reader = response.body!.getReader();
    expect(await next(reader, 'state')).toEqual({ state: 'connected' });
    const say = (text: string): void => sockets.forEach((socket) => void socket.write(text));
    say(tapeLine('R 1 412.5 mm') + tapeLine('R 1 412.5 mm'));
    expect(await next(reader, 'reading')).toEqual({ mm: 412.5 });
    say('R 2 9#9 mm*00\n');
    expect(await next(reader, 'garbled')).toEqual({ why: 'the checksum does not fit' });
    say(tapeLine('R 3 10 in'));
    expect(await next(reader, 'reading')).toEqual({ mm: 254 });
    sockets.forEach((socket) => socket.destroy());
    expect(await next(reader, 'state')).toMatchObject({ state: 'looking' });
    stop.abort();
    await reader.cancel().catch(() => undefined);
    server.close();
  });

  it('that never stops is listened to no faster than the page takes it', async () => {
    let written = 0;
    const flood = createServer((socket) => {
      socket.on('error', () => undefined);
      const line = tapeLine('R 5 412.5 mm').repeat(500);
      const pour = (): void => {
        while (!socket.destroyed && socket.write(line)) written += line.length;
        written += line.length;
      };
      socket.on('drain', pour);
      pour();
    });
    const port = 4791;
    await new Promise<void>((resolve) => flood.listen(port, '127.0.0.1', resolve));
    const { deviceStream } = await import('./devices/device-stream');
    const stop = new AbortController();
    const request = new Request('http://127.0.0.1/api/tape', { signal: stop.signal });
    const response = deviceStream(request, {
      port,
      retry: 1000,
      missing: 'none',
      reader: (send) => (chunk) => chunk.split('\n').forEach((line) => send('reading', { line })),
    });
    const reader = response.body!.getReader();
    await reader.read();
    // Nobody takes anything more: what the device may say is what fits between the two machines, and no more of it.
    await new Promise((resolve) => setTimeout(resolve, 800));
    const then = written;
    await new Promise((resolve) => setTimeout(resolve, 800));
    expect(written).toBe(then);
    stop.abort();
    await reader.cancel().catch(() => undefined);
    flood.close();
  });
});
