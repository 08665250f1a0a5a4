export { UNITS, type Unit } from './units';
export { parseLength, type ParsedLength } from './parse-length';
export { inUnit } from './in-unit';
export { foamThickness, formatArea, formatLength, rollLength, saidLength, threadLength } from './format-length';
