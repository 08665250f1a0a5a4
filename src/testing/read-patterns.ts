import DxfParser from 'dxf-parser';
import { XMLParser } from 'fast-xml-parser';

/** Pattern files read by other libraries, as another program would. */

export type Pair = [number, number];
export type Shape = { layer: string; points: Pair[]; closed: boolean };

/** A pattern's shapes, words, units and layers, read from its DXF. */
export function dxfShapes(text: string): { shapes: Shape[]; texts: string[]; units: unknown; layers: string[] } {
  const read = new DxfParser().parseSync(text)!;
  const shapes = read.entities
    .filter(({ type }) => type === 'LWPOLYLINE' || type === 'POLYLINE')
    .map((entity) => {
      const item = entity as unknown as { layer: string; vertices: { x: number; y: number }[]; shape: boolean };
      return { layer: item.layer, points: item.vertices.map(({ x, y }): Pair => [x, y]), closed: item.shape };
    });
  const texts = read.entities.filter(({ type }) => type === 'TEXT').map((entity) => (entity as unknown as { text: string }).text);
  return { shapes, texts, units: read.header['$INSUNITS'], layers: Object.keys(read.tables.layer.layers) };
}

/** The same from its SVG, y upwards. */
export function svgShapes(text: string): { shapes: Shape[]; texts: string[]; width: string; height: number } {
  type Group = { id: string; path?: { d: string } | { d: string }[]; text?: unknown };
  const { svg } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(text) as {
    svg: { width: string; height: string; g: Group[] };
  };
  const height = Number.parseFloat(svg.height);
  const listed = <T>(one: T | T[] | undefined): T[] => (one === undefined ? [] : Array.isArray(one) ? one : [one]);
  const shapes = svg.g.flatMap((group) =>
    listed(group.path).map(({ d }): Shape => ({
      layer: group.id.toUpperCase(),
      points: d
        .replace(/[MZ]/g, '')
        .split('L')
        .map((pair): Pair => {
          const [x, y] = pair.trim().split(' ').map(Number) as Pair;
          return [x, height - y];
        }),
      closed: d.endsWith('Z'),
    })),
  );
  const words = listed(svg.g.find(({ id }) => id === 'text')!.text as { '#text': unknown } | { '#text': unknown }[]);
  return { shapes, texts: words.map((word) => String(word['#text'])), width: svg.width, height };
}
