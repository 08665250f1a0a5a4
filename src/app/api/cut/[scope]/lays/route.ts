import { postLay } from '@/server/cutting';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string }> };

export const POST = (request: Request, { params }: Context) => answer(async () => postLay(request, (await params).scope));
