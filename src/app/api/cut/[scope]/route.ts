import { readCut } from '@/server/cutting';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string }> };

export const GET = (request: Request, { params }: Context) => answer(async () => readCut(request, (await params).scope));
