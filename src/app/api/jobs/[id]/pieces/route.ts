import { answer } from '@/server/http';
import { putJobPiece } from '@/server/jobs';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putJobPiece(request, (await params).id));
