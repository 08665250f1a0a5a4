import { answer } from '@/server/http';
import { readPages } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const GET = (request: Request, { params }: Context) => answer(async () => readPages(request, (await params).id));
