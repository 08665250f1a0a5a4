import { answer } from '@/server/http';
import { deleteWare, putWare } from '@/server/store';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putWare(request, (await params).id));
export const DELETE = (_: Request, { params }: Context) => answer(async () => deleteWare((await params).id));
