import { readRow } from '@/server/floor';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const GET = (_: Request, { params }: Context) => answer(async () => readRow((await params).id));
