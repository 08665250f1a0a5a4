import { answer } from '@/server/http';
import { exportPatterns } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };
export const GET = (request: Request, { params }: Context) => answer(async () => exportPatterns(request, (await params).id));
