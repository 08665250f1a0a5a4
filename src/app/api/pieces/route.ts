import { answer } from '@/server/http';
import { postPiece } from '@/server/pieces';

export const POST = (request: Request) => answer(() => postPiece(request));
