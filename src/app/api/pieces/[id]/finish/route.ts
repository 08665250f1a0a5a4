import { answer } from '@/server/http';
import { postFinish } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const POST = (request: Request, { params }: Context) => answer(async () => postFinish(request, (await params).id));
