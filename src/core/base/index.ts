export { checkBoard, type BoardCheck } from './board-check';
export { cutBoard } from './cut-board';
export { deckPlan, railInside, stretchedIn, type DeckPlan, type Strap } from './deck';
export { edgeStrips, trimBends, type EdgeStrip, type TrimBend } from './edge-strips';
export { frameCuts, type Batten, type FrameCuts } from './frame';
export { meshOf, type Mesh } from './mesh';
export { panelLayout, type PanelLayout } from './panels';
export { roomFor, smaller, type Room } from './room';
export { reshape, withMirror } from './reshape';
