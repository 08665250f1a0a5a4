import type { Modifier } from '@dnd-kit/core';

/** A pad is dragged up and down in its list, never sideways. */
export const restrictToList: Modifier = ({ transform }) => ({ ...transform, x: 0 });
