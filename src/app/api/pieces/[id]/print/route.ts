import { answer } from '@/server/http';
import { printPiece } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const GET = (request: Request, { params }: Context) => answer(async () => printPiece(request, (await params).id));
