import { deleteTimer } from '@/server/bench';
import { answer } from '@/server/http';

type Context = { params: Promise<{ id: string }> };

export const DELETE = (_request: Request, { params }: Context) => answer(async () => deleteTimer((await params).id));
