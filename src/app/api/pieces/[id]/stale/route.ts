import { answer } from '@/server/http';
import { deleteStale } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const DELETE = (request: Request, { params }: Context) => answer(async () => deleteStale(request, (await params).id));
