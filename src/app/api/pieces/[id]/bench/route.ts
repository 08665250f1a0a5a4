import { readBench } from '@/server/bench';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const GET = (_request: Request, { params }: Context) => answer(async () => readBench((await params).id));
