import { postNote } from '@/server/bench';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const POST = (request: Request, { params }: Context) => answer(async () => postNote(request, (await params).id));
