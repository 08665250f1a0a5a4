import { answer } from '@/server/http';
import { putSeen } from '@/server/seen';

type Context = { params: Promise<{ id: string }> };

export const PUT = (request: Request, { params }: Context) => answer(async () => putSeen(request, (await params).id));
