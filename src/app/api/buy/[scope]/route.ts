import { readBuy } from '@/server/buying';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string }> };

export const GET = (request: Request, { params }: Context) => answer(async () => readBuy(request, (await params).scope));
