import { readCsv } from '../core/formats/csv';
import { readDxf } from '../core/formats/dxf';
import { FileProblem, type DrawingUnit } from '../core/file-problem';
import { readStl, type UpAxis } from '../core/formats/stl';
import { readSvg } from '../core/formats/svg';

type Question = { name: string; bytes: ArrayBuffer; unit?: DrawingUnit; up?: UpAxis; close?: boolean };

function read({ name, bytes, unit, up, close }: Question): object {
  const kind = name.toLowerCase().split('.').at(-1);
  const text = (): string => new TextDecoder().decode(bytes);
  const options = { ...(unit ? { unit } : {}), ...(close ? { close } : {}) };
  if (kind === 'svg') return { outline: readSvg(text(), options) };
  if (kind === 'dxf') return { outline: readDxf(text(), options) };
  if (kind === 'csv' || kind === 'txt') return { shape: readCsv(text(), options) };
  if (kind === 'stl') {
    if (!unit) throw new FileProblem('An STL never says in which unit it is; choose one', { needsUnit: true });
    return { scan: readStl(new Uint8Array(bytes), { unit, ...(up ? { up } : {}) }) };
  }
  throw new FileProblem(`“${name.slice(0, 40)}” is not an SVG, DXF, CSV or STL file`);
}

self.onmessage = (event: MessageEvent<Question>) => {
  try {
    self.postMessage({ answer: read(event.data) });
  } catch (error) {
    if (error instanceof FileProblem) self.postMessage({ answer: { problem: error.message, needsUnit: error.needsUnit } });
    else self.postMessage({ answer: { problem: 'This file cannot be read; it is not as its kind should be.', needsUnit: false } });
  }
};
