import { postOrder } from '@/server/buying';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string }> };

export const POST = (request: Request, { params }: Context) => answer(async () => postOrder(request, (await params).scope));
