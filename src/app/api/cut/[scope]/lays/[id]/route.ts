import { deleteLay, putLay } from '@/server/cutting';
import { answer } from '@/server/http';

type Context = { params: Promise<{ scope: string; id: string }> };

export const PUT = (request: Request, { params }: Context) =>
  answer(async () => {
    const { scope, id } = await params;
    return putLay(request, scope, id);
  });
export const DELETE = (_: Request, { params }: Context) =>
  answer(async () => {
    const { scope, id } = await params;
    return deleteLay(scope, id);
  });
