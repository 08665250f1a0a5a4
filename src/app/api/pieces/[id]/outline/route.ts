import { answer } from '@/server/http';
import { exportOutline } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };
export const GET = (request: Request, { params }: Context) => answer(async () => exportOutline(request, (await params).id));
