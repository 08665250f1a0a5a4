import { answer } from '@/server/http';
import { deletePiece, putPiece, readPiece } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const GET = (_: Request, { params }: Context) => answer(async () => readPiece((await params).id));
export const PUT = (request: Request, { params }: Context) => answer(async () => putPiece(request, (await params).id));
export const DELETE = (_: Request, { params }: Context) => answer(async () => deletePiece((await params).id));
