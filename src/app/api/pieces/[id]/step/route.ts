import { answer } from '@/server/http';
import { postStep } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const POST = (request: Request, { params }: Context) => answer(async () => postStep(request, (await params).id));
