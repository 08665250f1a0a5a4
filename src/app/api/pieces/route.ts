import { answer } from '@/server/http';
import { postPiece, readPieces } from '@/server/pieces';

export const GET = () => answer(() => readPieces());
export const POST = (request: Request) => answer(() => postPiece(request));
