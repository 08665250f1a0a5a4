import { postNote, readNotes } from '@/server/bench';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const dynamic = 'force-dynamic';
export const GET = (_request: Request, { params }: Context) => answer(async () => readNotes((await params).id));
export const POST = (request: Request, { params }: Context) => answer(async () => postNote(request, (await params).id));
