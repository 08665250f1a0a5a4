import { PIECE_SCHEMA } from '@/core/piece';

export const GET = () => Response.json(PIECE_SCHEMA);
