export { UNITS, type Unit } from './units';
export { parseMass } from './parse-mass';
export { parseLength, type ParsedLength } from './parse-length';
export { inUnit } from './in-unit';
export { foamThickness, formatArea, formatLength, rollLength, saidLength, threadLength } from './format-length';
