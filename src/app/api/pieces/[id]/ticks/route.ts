import { answer } from '@/server/http';
import { putTick, readTicks } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const dynamic = 'force-dynamic';
export const GET = (_request: Request, { params }: Context) => answer(async () => readTicks((await params).id));
export const PUT = (request: Request, { params }: Context) => answer(async () => putTick(request, (await params).id));
