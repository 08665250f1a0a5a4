/** The formats that patterns are written in. */
export const PATTERN_FORMATS = [
  { id: 'svg', name: 'SVG', media: 'image/svg+xml' },
  { id: 'dxf', name: 'DXF', media: 'image/vnd.dxf' },
  { id: 'csv', name: 'Cut list, CSV', media: 'text/csv' },
] as const;
export type PatternFormat = (typeof PATTERN_FORMATS)[number]['id'];
