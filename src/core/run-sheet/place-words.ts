/**
 * Where a place on the board lies, in words from its middle.
 *
 * @param x to the right, mm
 * @param y to the back, or up where it stands upright, mm
 * @param [upright] whether it does
 */
export function placeOnBoard(x: number, y: number, upright = false): string {
  const words = [
    ...(Math.round(x) ? [`${Math.abs(Math.round(x))} mm ${x > 0 ? 'right' : 'left'}`] : []),
    ...(Math.round(y)
      ? [`${Math.abs(Math.round(y))} mm ${y > 0 ? (upright ? 'above' : 'behind') : upright ? 'below' : 'in front of'}`]
      : []),
  ];
  if (words.length === 0) return 'on the middle';
  return `${words.join(' and ')}${Math.round(y) ? '' : ' of'} the middle`;
}
