import { answer } from '@/server/http';
import { deleteStock, putStock } from '@/server/store';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putStock(request, (await params).id));
export const DELETE = (_: Request, { params }: Context) => answer(async () => deleteStock((await params).id));
