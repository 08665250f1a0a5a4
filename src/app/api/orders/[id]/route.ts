import { putOrder } from '@/server/buying';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putOrder(request, (await params).id));
