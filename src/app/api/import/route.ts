import { answer } from '@/server/http';
import { importPiece } from '@/server/pieces';

export const POST = (request: Request) => answer(() => importPiece(request));
