import { answer } from '@/server/http';
import { getPhoto } from '@/server/photos';

type Context = { params: Promise<{ name: string }> };
export const GET = (_: Request, { params }: Context) => answer(async () => getPhoto((await params).name));
