import { answer } from '@/server/http';
import { deleteStale, putStale } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putStale(request, (await params).id));
export const DELETE = (request: Request, { params }: Context) => answer(async () => deleteStale(request, (await params).id));
