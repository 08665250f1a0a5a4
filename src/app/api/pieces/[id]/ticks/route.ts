import { answer } from '@/server/http';
import { putTick } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putTick(request, (await params).id));
