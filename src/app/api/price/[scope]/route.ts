import { readPrice } from '@/server/price';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string }> };

export const GET = (request: Request, { params }: Context) => answer(async () => readPrice(request, (await params).scope));
