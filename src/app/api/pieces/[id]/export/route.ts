import { answer } from '@/server/http';
import { exportPiece } from '@/server/pieces';

type Context = { params: Promise<{ id: string }> };

export const GET = (_: Request, { params }: Context) => answer(async () => exportPiece((await params).id));
