import { answer } from '@/server/http';
import { postMend } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const POST = (_: Request, { params }: Context) => answer(async () => postMend((await params).id));
